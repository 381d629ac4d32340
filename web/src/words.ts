// Names that people see. What can be chosen comes from the core.
import * as catalogue from './gen/catalogue'

export { easings, fonts, blends, pins, sides, transitions } from './gen/catalogue'
export const standardShapes = catalogue.shapes

const shapeOf = (id: string) => catalogue.shapes.find((s) => s.id === id)
export const shapeName = (id: string) => shapeOf(id)?.name ?? id
export const shapeRatio = (id: string) => shapeOf(id)?.ratio ?? ''

// What is known of a property of a layer or of the light.
export interface Property {
  readonly name: string
  readonly title: string
  readonly unit: string
  readonly parts: readonly string[]
  readonly dims: number
  readonly colour: boolean
  readonly kinds: readonly string[]
}
export const properties: readonly Property[] = catalogue.properties
const known = new Map<string, Property>([...properties, ...catalogue.lightProperties].map((p) => [p.name, p]))

// propertyNamed finds a property by its name; one of a family has a number behind it.
export function propertyNamed(id: string): Property | undefined {
  const parts = /^(\D+)(\d+)$/.exec(id)
  const family = parts && catalogue.families.find((f) => f.name === parts[1])
  return family ? { ...family, name: id, title: `${family.title} ${parts[2]}` } : known.get(id)
}
export const propertyName = (id: string) => propertyNamed(id)?.title ?? id
export const propertyUnit = (id: string) => propertyNamed(id)?.unit ?? ''
export const propertyParts = (id: string) => propertyNamed(id)?.parts ?? ['']

// numberedIn are the numbered properties among names, in the order of their families.
export const numberedIn = (names: string[]): Property[] =>
  catalogue.families.flatMap((f) =>
    names
      .filter((n) => n.replace(/\d+$/, '') === f.name && n !== f.name)
      .sort((a, b) => Number(a.slice(f.name.length)) - Number(b.slice(f.name.length)))
      .flatMap((n) => propertyNamed(n) ?? [])
  )

export const moveKinds = catalogue.moveKinds
const passing: Record<string, string> = { comes: 'Words come', goes: 'Words go' }
export const moveName = (kind: string) => moveKinds.find((m) => m.id === kind)?.name ?? passing[kind] ?? kind

// In place of a product or a picture: the one of the scene.
export const productSlot = catalogue.productSlot

// What is known of a kind of layers.
export const kindOf = (id: string | undefined) => catalogue.layerKinds.find((k) => k.id === id)

export const offeredKinds = catalogue.layerKinds.filter((k) => k.offered)
export const kindIcon = (id: string | undefined) => `bi bi-${kindOf(id)?.icon ?? 'square'}`

export const timecode = (frame: number, rate: number) =>
  `${Math.floor(frame / rate)}s${String(frame % rate).padStart(2, '0')}f`

// listed puts names into a sentence; of many it tells how many more there are.
export function listed(names: string[]) {
  const some = names.length > 4 ? [...names.slice(0, 3), `${names.length - 3} more`] : names
  return some.join(', ').replace(/, ([^,]*)$/, ' and $1')
}
