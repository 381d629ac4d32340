// Made from the core by `go generate ./cmd/gen`; not to be changed here.

import type { Command } from './commands'
import type { Accent, Clip, DrawnPath, Key, Layer, Moment, Move, Passage, Prop, Words } from './document'

export interface Advanced {
  same: boolean
  lost?: Lost[]
  undos?: Record<string, Undone>
}

export interface Aligning {
  layer: string
  align: string
}

export interface Applied {
  clip?: Clip | null
  view?: View | null
  layers?: Layer[]
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

export interface Asked {
  kind: string
  text?: string
  product?: string
  logo?: string
  with?: Prop | null
  side?: string
  brand?: string[]
  frame: number
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

export interface Beat {
  beat: number
  frame: number
  bar: number
  in: number
  down: boolean
}

export interface Caret {
  line: number
  head: [number, number]
  foot: [number, number]
  to: Edge
}

export interface Caught {
  dx: number
  dy: number
  guides: Guide[]
  gaps: Gap[]
}

export interface Change {
  at: string[]
  from?: string
  to?: string
  order?: boolean
}

export interface ChangingInto {
  shape: string
  frame: number
  layer: string
  form: string
}

export interface Choice {
  id: string
  name: string
}

export interface Choices {
  groups: Choice[]
  scenes: Choice[]
  leaders: Choice[]
  cuts: Choice[]
  figures: Choice[]
  windows: Choice[]
}

export interface CopiedKey {
  property: string
  after: number
  key: Key
}

export interface Creep {
  from: number
  to: number
  text: string
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

export interface Drag {
  shape: string
  frame: number
  layers: string[]
  dx: number
  dy: number
  reach: number
}

export interface Dragged {
  keys: KeyRef[]
  anchor?: number | null
  bead: number
}

export interface Edge {
  head: [number, number]
  foot: [number, number]
}

export interface EngineDrawing {
  shape: string
  w: number
  h: number
  frame: number
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

export interface FontAxis {
  tag: string
  name: string
  least: number
  most: number
  usual: number
}

export interface FontNamed {
  font: string
}

export interface Frames {
  from: number
  to: number
}

export interface Gap {
  x0: number
  y0: number
  x1: number
  y1: number
  equal: boolean
}

export interface Guide {
  axis: string
  at: number
  to: string
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

export interface KeyRef {
  layer: string
  property: string
  frame: number
}

export interface Letters {
  letters: string[]
  look: Look
  word: [number, number]
}

export interface Level {
  frame: number
  peak: number
}

export interface Lining {
  shape: string
  frame: number
  layers: string[]
  how: string
}

export interface Look {
  emphasis: boolean
  struck: boolean
  bold: boolean
  bolder: boolean
  fill: string
  size: number
}

export interface Looking {
  shape: string
  frame: number
  open: string[]
  layer: string
  layers: string[]
}

export interface LoopGap {
  pixels: number
  layer: string
  sudden: boolean
}

export interface Lost {
  id: string
  what: string
  reason: string
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

export interface Node {
  at: [number, number]
  in: [number, number]
  out: [number, number]
}

export interface OnFrame {
  shape: string
  layer?: string
  frame: number
}

export interface Palette {
  id: string
  name: string
  top: string
  bottom: string
  ink: string
  accent: string
  plate: string
  on: string
  card: string
  onCard: string
  shade: string
  glow: string
}

export interface PastEnd {
  scenes: string[]
  layers: string[]
  keys: number
}

export interface Path {
  points: [number, number][]
  first: number
  keys: PathKey[]
}

export interface PathKey {
  frame: number
  at: [number, number]
  off: string
  out: [number, number] | null
  in: [number, number] | null
}

export interface Peak {
  frame: number
  text: string
  fast: boolean
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
  corners: [[number, number], [number, number], [number, number], [number, number]]
  away: [number, number]
  own: [number, number]
  shrink: number
  standing: [number, number, number, number, number, number]
  anchor: [number, number]
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

export interface Proposal {
  colour: string
  contrast: number
  brand: boolean
}

export interface Readable {
  wanted: number
  contrast: number
  frame: number
  emphasis: number
  proposals: Proposal[]
  shade?: Veil | null
  plate: string
  w: number
  h: number
}

export interface ReadableAsked {
  layer: string
  shape: string
  brand: string[]
  clip?: Clip
}

export interface Reading {
  frames: number
  says: string
  offer?: string
  problem?: string
}

export interface Room {
  least: number
  most: number
  taken: number[]
}

export interface Row {
  layer: string
  scene: string
  depth: number
  from: number
  to: number
  start: number
  first: number
  shows: string
  tracks: Track[]
  differ: string[]
  lacks: string
  hasty: string
  moves: Span[]
  lineup?: ViewLineup | null
}

export interface Sent {
  id: string
  command: Command
}

export interface Share {
  colour: string
  share: number
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

export interface Span {
  id: string
  kind: string
  from: number
  to: number
}

export interface Stretch {
  words: Words
  from: number
  to: number
}

export interface Styling {
  words: Words
  from: number
  to: number
  change: WordsChange
}

export interface Track {
  property: string
  dim: number
  lo: number
  hi: number
  beads: Bead[]
  string: number[]
  speed: number[]
  peak?: Peak | null
  creeps: Creep[]
}

export interface Trial {
  shape: string
  w: number
  h: number
  frame: number
  command: Command
}

export interface Tune {
  prop: string
  start: number
  gain: number
  fadeIn: number
  fadeOut: number
}

export interface Undone {
  undo: Change[]
  stays?: string
}

export interface Veil {
  colour: string
  opacity: number
}

export interface View {
  length: number
  timecode: string
  beats: Beat[]
  hits: ViewHit[]
  wave: Level[]
  scenes: ViewScene[]
  markers: ViewMark[]
  range: [number, number] | null
  rows: Row[]
}

export interface ViewHit {
  frame: number
  strength: number
  kind: 'low' | 'mid' | 'high'
}

export interface ViewLineup {
  unsure: string[]
  byHand: number
}

export interface ViewMark {
  name: string
  frame: number
  when: string
}

export interface ViewScene {
  id: string
  name: string
  from: number
  to: number
  unit: string
  amount: number
  text: string
  hidden: boolean
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

export interface WordsChange {
  emphasis?: boolean | null
  struck?: boolean | null
  bold?: boolean | null
  fill?: string | null
  size?: number | null
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
