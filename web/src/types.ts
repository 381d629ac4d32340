// The clip document and what the engine tells about it, as JSON. The rules are
// in the engine; these are only their shapes.

export type Moment = number | { beat: number; frames?: number }

export interface Ease {
  kind: string
  x1?: number
  y1?: number
  x2?: number
  y2?: number
  bounce?: number
}

export interface Key {
  at: Moment
  value: number[]
  off?: string
  ease: Ease
}

export interface Rest {
  pin: string
  x: number
  y: number
  size: number
  turn: number
  away?: boolean
}

export interface Plate {
  kind: string
  fill: string
  room: number
}

export interface Words {
  text: string
  product?: string
  font: string
  fill: string
  emphasisFont?: string
  emphasisFill: string
  align: string
  width: number
  lineSpacing: number
  letterSpacing: number
  plate?: Plate
}

export interface Layer {
  id: string
  name: string
  kind: 'cutout' | 'words' | 'badge' | 'backdrop'
  from: Moment
  to: Moment | null
  rest: Rest
  rests?: Record<string, Rest>
  lift: number
  shadow?: { none?: boolean; direction: number; distance: number; softness: number; strength: number } | null
  blend: string
  hidden?: boolean
  tracks: Record<string, Key[]>
  cutout?: { prop: string }
  words?: Words
  backdrop?: { stops: { at: number; colour: string }[]; angle: number }
}

export interface Prop {
  id: string
  name: string
  kind: 'cutout' | 'tune'
  hash: string
  media: string
  credit?: string
  picture?: { w: number; h: number; visible: number[] }
  sound?: { seconds: number; tempo: { bpm: number }; steady: boolean }
}

export interface Product {
  id: string
  name: string
  price: string
  oldPrice: string
  currency: string
  prop?: string
}

export interface Shape {
  id: string
  w: number
  h: number
}

export interface Light {
  direction: number
  height: number
  softness: number
  strength: number
  colour: string
}

export interface Clip {
  version: number
  name: string
  shapes: Shape[]
  rate: number
  length: number
  tempo: { bpm: number; perBar: number }
  light: Light
  tune?: { prop: string; start: number; gain: number; fadeIn: number; fadeOut: number } | null
  props: Prop[]
  products: Product[]
  layers: Layer[]
  poster: Moment
}

export interface Beat {
  beat: number
  frame: number
  bar: number
  in: number
  down: boolean
}

export interface Bead {
  frame: number
  height: number
  onBeat: boolean
  off: string
  text: string
}

export interface Track {
  property: string
  beads: Bead[]
  string: { frame: number; height: number }[]
}

export interface Row {
  layer: string
  from: number
  to: number
  tracks: Track[]
  differ: string[]
  lacks: string
}

export interface View {
  length: number
  timecode: string
  beats: Beat[]
  hits: { frame: number; strength: number; kind: string }[]
  wave: { frame: number; peak: number }[]
  rows: Row[]
}

export interface Place {
  layer: string
  x: number
  y: number
  w: number
  h: number
  turn: number
  opacity: number
  position: [number, number]
  corners: [number, number][]
}

export interface KeyRef {
  layer: string
  property: string
  frame: number
}

export type Command = { type: string } & Record<string, unknown>

export interface ExportPart {
  export: string
  shape: string
  state: 'waiting' | 'running' | 'done' | 'failed' | 'cancelled'
  done: number
  total: number
  error: string
  elapsed: number
  created: string
}

export class Problem extends Error {
  constructor(
    message: string,
    public field = '',
    public code = '',
    public status = 0
  ) {
    super(message)
  }
}
