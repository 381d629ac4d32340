// Names that people see.
export const shapeNames: Record<string, string> = {
  tall: 'Tall',
  portrait: 'Portrait',
  square: 'Square',
  wide: 'Wide',
  poster: 'Poster'
}

export const shapeRatios: Record<string, string> = {
  tall: '9:16',
  portrait: '4:5',
  square: '1:1',
  wide: '16:9',
  poster: '2:3'
}

export const standardShapes = [
  { id: 'tall', w: 1080, h: 1920 },
  { id: 'portrait', w: 1080, h: 1350 },
  { id: 'square', w: 1080, h: 1080 },
  { id: 'wide', w: 1920, h: 1080 },
  { id: 'poster', w: 1080, h: 1620 }
]

export const shapeName = (id: string) => shapeNames[id] ?? id

// Names, units and what the numbers of a value are called.
const named: Record<string, { name: string; unit?: string; parts?: string[] }> = {
  position: { name: 'Position', parts: ['right', 'down'] },
  scale: { name: 'Scale', unit: '%', parts: ['width', 'height'] },
  rotation: { name: 'Rotation', unit: '°' },
  opacity: { name: 'Opacity', unit: '%' },
  lift: { name: 'Lift' },
  skew: { name: 'Skew', unit: '°' },
  pivot: { name: 'Pivot', unit: '%', parts: ['right', 'down'] },
  blur: { name: 'Blur' },
  depth: { name: 'Depth' },
  crop: { name: 'Crop', unit: '%', parts: ['left', 'above', 'right', 'below'] },
  corner: { name: 'Corners' },
  outline: { name: 'Outline' },
  drawStart: { name: 'Drawn from', unit: '%' },
  drawEnd: { name: 'Drawn to', unit: '%' },
  letterSpacing: { name: 'Spacing', unit: '%' },
  reveal: { name: 'Reveal', unit: '%' },
  fillColour: { name: 'Fill' },
  emphasisColour: { name: 'Emphasis' },
  plateColour: { name: 'Plate' },
  outlineColour: { name: 'Outline colour' },
  colour1: { name: 'Colour 1' },
  colour2: { name: 'Colour 2' },
  colour3: { name: 'Colour 3' },
  colour4: { name: 'Colour 4' },
  time: { name: 'Time inside' },
  direction: { name: 'Direction', unit: '°' },
  height: { name: 'Height', unit: '°' }
}

export const propertyName = (id: string) => named[id]?.name ?? id
export const propertyUnit = (id: string) => named[id]?.unit ?? ''
export const propertyParts = (id: string) => named[id]?.parts ?? ['']

export const easings = [
  { id: 'linear', name: 'Linear' },
  { id: 'in', name: 'Ease in' },
  { id: 'out', name: 'Ease out' },
  { id: 'inOut', name: 'Ease in-out' },
  { id: 'hold', name: 'Hold' },
  { id: 'bezier', name: 'Bezier' },
  { id: 'spring', name: 'Spring' },
  { id: 'bounce', name: 'Bounce' },
  { id: 'steps', name: 'Steps' }
]

export const sides = [
  { id: 'left', name: 'Left' },
  { id: 'right', name: 'Right' },
  { id: 'above', name: 'Above' },
  { id: 'below', name: 'Below' },
  { id: 'aboveLeft', name: 'Above left' },
  { id: 'aboveRight', name: 'Above right' },
  { id: 'belowLeft', name: 'Below left' },
  { id: 'belowRight', name: 'Below right' }
]

export const moveKinds = [
  { id: 'gust', name: 'Gust', icon: 'bi-wind', says: 'Flies in from an edge, turns upright, eases to a stop' },
  { id: 'settle', name: 'Settle', icon: 'bi-arrow-down-short', says: 'Drops, hops, rests' },
  { id: 'swell', name: 'Swell', icon: 'bi-arrows-angle-expand', says: 'Pops past full size and back' },
  { id: 'flutter', name: 'Flutter', icon: 'bi-flag', says: 'Sways from where it hangs and dies down' },
  { id: 'waft', name: 'Waft', icon: 'bi-cloud', says: 'Drifts slowly until it leaves' },
  { id: 'unfurl', name: 'Unfurl', icon: 'bi-layers', says: 'Is revealed along its own edge' },
  { id: 'lull', name: 'Lull', icon: 'bi-pause', says: 'Stays exactly still' },
  { id: 'whisk', name: 'Whisk', icon: 'bi-box-arrow-up-right', says: 'Leaves fast' }
]

export const moveName = (kind: string) => moveKinds.find((m) => m.id === kind)?.name ?? kind

export const kindIcon: Record<string, string> = {
  cutout: 'bi bi-box-seam',
  words: 'bi bi-fonts',
  badge: 'bi bi-patch-check',
  backdrop: 'bi bi-image',
  card: 'bi bi-square',
  group: 'bi bi-collection'
}

export const fonts = [
  { id: 'bricolage-800', name: 'Bricolage, extra bold' },
  { id: 'bricolage-500', name: 'Bricolage, medium' },
  { id: 'hanken-400', name: 'Hanken, regular' },
  { id: 'hanken-700', name: 'Hanken, bold' },
  { id: 'hanken-900', name: 'Hanken, black' },
  { id: 'fraunces-600', name: 'Fraunces, semibold' },
  { id: 'fraunces-600-italic', name: 'Fraunces, italic' },
  { id: 'caveat-700', name: 'Caveat, bold' }
]

export const blends = [
  'normal',
  'multiply',
  'screen',
  'overlay',
  'darken',
  'lighten',
  'color-dodge',
  'color-burn',
  'hard-light',
  'soft-light',
  'difference',
  'exclusion',
  'hue',
  'saturation',
  'color',
  'luminosity'
]

export const pins = [
  { id: 'centre', name: 'Centre' },
  { id: 'top', name: 'Top' },
  { id: 'bottom', name: 'Bottom' },
  { id: 'left', name: 'Left' },
  { id: 'right', name: 'Right' },
  { id: 'topLeft', name: 'Top left' },
  { id: 'topRight', name: 'Top right' },
  { id: 'bottomLeft', name: 'Bottom left' },
  { id: 'bottomRight', name: 'Bottom right' }
]

export const timecode = (frame: number, rate: number) =>
  `${Math.floor(frame / rate)}s${String(frame % rate).padStart(2, '0')}f`

// listed puts names into a sentence; of many it tells how many more there are.
export function listed(names: string[]) {
  const some = names.length > 4 ? [...names.slice(0, 3), `${names.length - 3} more`] : names
  return some.join(', ').replace(/, ([^,]*)$/, ' and $1')
}
