// Made from the core by `go generate ./cmd/gen`; not to be changed here.

import type { Change, FontAxis, Gap, Guide, KeyRef, Look, Node, Order, Palette, Place, Row, Share, Variant, View, WordsChange } from './answered'
import type { Command } from './commands'
import type { Accent, Clip, DrawnPath, Layer, Move, Passage, Product, Words } from './document'
import type { Moment, Part } from './values'

export interface Advanced {
  same: boolean
  lost?: Lost[]
  undos?: Record<string, Undone>
}

export interface Aligning {
  layer: string
  align: string
}

export interface Alone {
  variant: Variant | null
}

export interface Applied {
  clip?: Clip | null
  view?: View | null
  layers?: Layer[]
  products?: Product[]
  rows?: Row[]
  places: Places
  needs?: string[]
  settled?: string[]
  undo?: Change[]
  keys?: KeyRef[]
}

export interface Area {
  shape: string
  frame: number
  from: [number, number]
  to: [number, number]
}

export interface Around {
  shape: string
  frame: number
  hand?: [number, number][]
  nodes?: Node[]
  closed?: boolean
  layer: string
}

export interface Benched {
  w: number
  h: number
  smallW: number
  smallH: number
  frames?: number
}

export interface Caught {
  dx: number
  dy: number
  guides: Guide[]
  gaps: Gap[]
}

export interface ChangingInto {
  shape: string
  frame: number
  layer: string
  form: string
}

export interface CourseAsked {
  layer: string
  frame: number
}

export interface Coursing {
  speed: number
  lasts: number
  beats: number
  now: number
}

export interface Cut {
  parts: Part[]
  tail: number
}

export interface CutFound {
  method: string
  why: string
  confidence: number
  bounds: [number, number, number, number]
  nothing: boolean
  needsLook: boolean
  hasShadow: boolean
}

export interface Draft {
  kind: string
  prop?: string
  name?: string
  product?: string
  frame: number
  begins?: boolean
  shape?: string
  at?: [number, number] | null
}

export interface DraftMove {
  kind: string
  layer: string
  at: Moment
}

export interface DraftPassage {
  layer: string
  kind: string
  goes: boolean
  frame: number
}

export interface DraftedMove {
  layer: string
  move: Move
}

export interface DraftedPassage {
  passage: Passage
  from: number
  to: number
}

export interface Dragged {
  keys: KeyRef[]
  anchor?: number | null
  bead: number
}

export interface EngineDrag {
  shape: string
  frame: number
  layers: string[]
  dx: number
  dy: number
  reach: number
}

export interface EngineDrawing {
  shape: string
  w: number
  h: number
  frame: number
}

export interface EngineStretch {
  words: Words
  from: number
  to: number
}

export interface FigureAt {
  shape: string
  frame: number
  layer: string
}

export interface FontAsked {
  axes: FontAxis[]
  features: string[]
  had: boolean
}

export interface FontNamed {
  font: string
}

export interface FootageFile {
  hash: string
  alpha: boolean
}

export interface FrameWanted {
  order: Order
  frame: number
}

export interface Frames {
  from: number
  to: number
}

export interface Haunting {
  shape: string
  w: number
  h: number
  layer: string
  frames: number[]
}

export interface InShape {
  shape: string
  layer?: string
}

export interface LayeredAsked {
  shape: string
  layer: string
  frame: number
}

export interface Letters {
  letters: string[]
  look: Look
  word: [number, number]
}

export interface Lining {
  shape: string
  frame: number
  layers: string[]
  how: string
}

export interface Looking {
  shape: string
  frame: number
  open: string[]
  layer: string
  layers: string[]
}

export interface Lost {
  id: string
  what: string
  reason: string
}

export interface Loudness {
  silent: boolean
  lufs: number
  range: number
  peak: number
  taken: number
  momentary: number[]
}

export interface Made {
  layers: Layer[]
}

export interface Match {
  path: DrawnPath
  into: DrawnPath
}

export interface Matched {
  layer: string
  colours: Share[]
  proposals: Palette[]
}

export interface Matching {
  layer?: string
  shape: string
  frame: number
}

export interface News {
  rows: Sent[]
  drop: string[]
  undo: string
}

export interface OnFrame {
  shape: string
  layer?: string
  frame: number
}

export interface Pinning {
  shape: string
  layer: string
  pin: string
}

export interface PivotAt {
  shape: string
  frame: number
  layer: string
  x: number
  y: number
}

export interface Pivoted {
  to: [number, number]
  move: [number, number]
}

export interface Places {
  w: number
  h: number
  safe: number
  places: Place[]
  values: Record<string, number[]>
}

export interface Point {
  shape: string
  frame: number
  x: number
  y: number
}

export interface ReadableAsked {
  layer: string
  shape: string
  brand: string[]
  clip?: Clip
}

export interface Sent {
  id: string
  command: Command
}

export interface Shift {
  layer: string
  dx: number
  dy: number
}

export interface Sketch {
  shape: string
  frame: number
  hand?: [number, number][]
  nodes?: Node[]
  closed?: boolean
}

export interface Spotted {
  shape: string
  frame: number
  layer: string
  at: [number, number]
}

export interface Styling {
  words: Words
  from: number
  to: number
  change: WordsChange
}

export interface Trial {
  shape: string
  w: number
  h: number
  frame: number
  command: Command
}

export interface Tried {
  shape: string
  w: number
  h: number
  frame: number
  command: Command
}

export interface Undone {
  undo: Change[]
  stays?: string
}

export interface Way {
  layer: string
  as: string
}

export interface WayOf {
  passage: Passage
  goes?: boolean
}

export interface When {
  moment: Moment
  frame: number
}

export interface Whole {
  clip: Clip
  waiting: Sent[]
}

export interface Window {
  x: number
  y: number
  w: number
  h: number
}

export interface Wish {
  command?: Command
  keep: boolean
  id?: string
  shape?: string
  frame?: number
  open?: string[]
  layer?: string
  layers?: string[]
  keys?: KeyRef[]
}

export interface Writing {
  words: Words
  from: number
  to: number
  with: string
}

export interface Written {
  letters: string[]
  look: Look
  word: [number, number]
  text: string
  accents: Accent[]
  caret: number
}
