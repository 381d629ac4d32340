import { rangeFields } from '../gen/catalogue'
import type { Product, Prop } from '../types'

// A column of the sheet: a field of products, or of theirs in another language as "name@de".
export interface Column {
  id: string
  name: string
  hint: string
  width: number // pixels
  right?: boolean // figures stand on the right
  read?: boolean // it is worked out and cannot be typed
}

const widths: Record<string, number> = {
  prop: 62,
  name: 176,
  first: 112,
  second: 112,
  line: 178,
  price: 84,
  oldPrice: 84,
  lowest: 122,
  currency: 74,
  percent: 64,
  quote: 82,
  deal: 104,
  contents: 98,
  web: 150
}
const figures = ['price', 'oldPrice', 'lowest', 'percent']

// What is seen of every range; the others are where something is in them, or where they are
// asked for.
export const usual = ['prop', 'name', 'line', 'price', 'oldPrice', 'currency', 'contents']

export function columnOf(id: string): Column {
  const [field, language] = id.split('@')
  const known = rangeFields.find((f) => f.id === field)
  const name = (known?.name ?? field) + (language ? ` (${language})` : '')
  return {
    id,
    name,
    hint: known?.hint || (known ? '' : `In words: {${field}}`),
    width: widths[id] ?? 130,
    right: figures.includes(id)
  }
}

export const reads: Column = {
  id: '@reads',
  name: 'Reads',
  hint: 'What {price}, {percent} and {base} say',
  width: 190,
  read: true
}

const texts = [
  'name',
  'first',
  'second',
  'line',
  'price',
  'oldPrice',
  'lowest',
  'currency',
  'percent',
  'quote',
  'deal',
  'contents',
  'web'
] as const
type Text = (typeof texts)[number]
const isText = (id: string): id is Text => (texts as readonly string[]).includes(id)

// cell is what a product has in a column.
export function cell(p: Product, column: string, props: Prop[]): string {
  const [field, language] = column.split('@')
  if (language) return p.spoken?.[language]?.[field] ?? ''
  if (field === 'prop') return props.find((x) => x.id === p.prop)?.name ?? p.awaits ?? ''
  if (isText(field)) return p[field] ?? ''
  return p.fields?.[field] ?? ''
}

// withCell is a product with something else in a column.
export function withCell(p: Product, column: string, text: string): Product {
  const [field, language] = column.split('@')
  if (language) {
    const spoken = { ...p.spoken, [language]: filled({ ...p.spoken?.[language], [field]: text }) }
    if (!Object.keys(spoken[language]).length) delete spoken[language]
    return { ...p, spoken }
  }
  if (field === 'prop') return { ...p, prop: text || undefined }
  if (field === 'currency') return { ...p, currency: text.trim().toUpperCase() }
  if (field === 'percent') return { ...p, percent: text.replace(/[\s%−–-]/g, '') }
  if (field === 'quote') return { ...p, quote: text.trim().toLowerCase() as Product['quote'] }
  if (isText(field)) return { ...p, [field]: text.trim() }
  return { ...p, fields: filled({ ...p.fields, [field]: text }) }
}

// What says nothing is not there, so that words can tell that it is missing.
const filled = (texts: Record<string, string>) => Object.fromEntries(Object.entries(texts).filter(([, t]) => t !== ''))
