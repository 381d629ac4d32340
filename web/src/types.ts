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
  settle?: number
  count?: number
  decay?: number
}

export interface Key {
  at: Moment
  value: number[]
  off?: string
  ease: Ease
  out?: number[] | null
  in?: number[] | null
  move?: string
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
  outline: string
  plate?: Plate
}

export interface Hole {
  form: string
  x: number
  y: number
  size: number
  aspect: number
  corner: number
}

export interface Card {
  form: string
  aspect: number
  fills?: boolean
  fill: string
  outline: string
  hole?: Hole | null
}

export interface Stepping {
  rate: number
  turn?: number
  shift?: number
  seed?: number
}

export interface Wander {
  amount: number
  turn?: number
  size?: number
  pace: number
  seed?: number
  closed?: boolean
}

export interface Follow {
  layer: string
  position?: boolean
  rotation?: boolean
  scale?: boolean
}

export interface Inside {
  offset?: number
  speed?: number
  reverse?: boolean
  freeze?: number | null
  repeat?: number
  clip?: string
}

export interface Move {
  id: string
  kind: string
  at: Moment
  lands?: boolean
  length: number
  beats?: number
  side?: string
  turn: number
  strength: number
  drift?: number
}

export interface Slot {
  name: string
  x: number
  y: number
  size: number
  turn: number
  opacity: number
}

export interface Lineup {
  slots: Slot[]
  hero: number
  items: { layer: string; with?: string[] }[]
  start: Moment
  stay: number
  beats?: number
  change: number
  bars?: number
}

export interface Cutout {
  prop: string
  outline?: string
}

export interface Layer {
  id: string
  name: string
  kind: 'cutout' | 'words' | 'badge' | 'backdrop' | 'card' | 'group'
  group?: string
  from: Moment
  to: Moment | null
  rest: Rest
  rests?: Record<string, Rest>
  lift: number
  shadow?: { none?: boolean; direction: number; distance: number; softness: number; strength: number } | null
  blend: string
  hidden?: boolean
  locked?: boolean
  label?: string
  values?: Record<string, number[]>
  tracks: Record<string, Key[]>
  moves?: Move[]
  shutter?: number
  stepping?: Stepping | null
  wander?: Wander | null
  follow?: Follow | null
  reveal?: { side: string; slide?: boolean } | null
  card?: Card
  inside?: Inside
  lineup?: Lineup | null
  cutout?: Cutout
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
  tracks?: Record<string, Key[]>
}

export interface Mark {
  name: string
  at: Moment
}

export interface Tempo {
  bpm: number
  perBar: number
}

export interface Clip {
  version: number
  name: string
  shapes: Shape[]
  rate: number
  length: number
  tempo: Tempo
  light: Light
  tune?: { prop: string; start: number; gain: number; fadeIn: number; fadeOut: number } | null
  props: Prop[]
  products: Product[]
  layers: Layer[]
  poster: Moment
  scenes?: Mark[]
  markers?: Mark[]
  range?: { in: Moment; out: Moment } | null
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
  when: string
  height: number
  onBeat: boolean
  off: string
  text: string
  ease: string
  curve?: number[]
  move: string
}

export interface Track {
  property: string
  dim: number
  lo: number
  hi: number
  beads: Bead[]
  string: number[] // frame, height, frame, height ...
  speed: number[]
  peak?: { frame: number; text: string; fast: boolean }
  creeps: { from: number; to: number; text: string }[]
}

export interface Row {
  layer: string
  depth: number
  from: number
  to: number
  tracks: Track[]
  differ: string[]
  lacks: string
  moves: { id: string; kind: string; from: number; to: number }[]
}

export interface View {
  length: number
  timecode: string
  beats: Beat[]
  hits: { frame: number; strength: number; kind: string }[]
  wave: { frame: number; peak: number }[]
  scenes: { name: string; from: number; to: number }[]
  markers: { name: string; frame: number; when: string }[]
  range: [number, number] | null
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
  pivot: [number, number]
  corners: [number, number][]
  away: [number, number]
}

export interface Places {
  w: number
  h: number
  places: Place[]
  values: Record<string, number[]>
}

// What a command changed: the whole clip, or layers and their rows.
export interface Applied {
  clip?: Clip
  view?: View
  layers?: Layer[]
  rows?: Row[]
  places: Places
  settled?: string[] // names of layers that did not fit at a new tempo
  undo?: Change[] // what takes a kept command back
}

// A change of one value; the engine makes and reads them.
export interface Change {
  at: string[]
  from?: unknown
  to?: unknown
  order?: boolean
}

// A command with the ID under which it is taken once.
export interface Sent {
  id: string
  command: Command
}

// What the server answers whoever edits or catches up.
export interface Outcome {
  revision: number
  results?: { id: string; revision?: number; what?: string; refused?: { message: string; field: string } }[]
  missing: { revision: number; id: string; command: Command }[]
  whole?: boolean
}

// What became of commands that wait when others' came before them.
export interface Advanced {
  same?: boolean
  lost?: { id: string; what: string; reason: string }[]
  undos?: Record<string, { undo: Change[]; stays?: string }>
}

export interface Property {
  name: string
  dims: number
  colour: boolean
  kinds: string[]
}

export interface MotionPath {
  first: number
  points: [number, number][]
  keys: {
    frame: number
    at: [number, number]
    off: string
    out: [number, number] | null
    in: [number, number] | null
  }[]
}

export interface Guide {
  axis: 'x' | 'y'
  at: number
  to: string
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

export interface CopiedKey {
  property: string
  after: number
  key: Key
}
