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

export const properties = [
  { id: 'position', name: 'Position', unit: '', neutral: [0, 0] },
  { id: 'scale', name: 'Scale', unit: '%', neutral: [100] },
  { id: 'rotation', name: 'Rotation', unit: '°', neutral: [0] },
  { id: 'opacity', name: 'Opacity', unit: '%', neutral: [100] },
  { id: 'lift', name: 'Lift', unit: '', neutral: [0] }
]

export const propertyName = (id: string) => properties.find((p) => p.id === id)?.name ?? id

export const easings = [
  { id: 'linear', name: 'Linear' },
  { id: 'in', name: 'Ease in' },
  { id: 'out', name: 'Ease out' },
  { id: 'inOut', name: 'Ease in-out' },
  { id: 'bezier', name: 'Bezier' },
  { id: 'hold', name: 'Hold' },
  { id: 'spring', name: 'Spring' }
]

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
