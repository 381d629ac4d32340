// Made from the core by `go generate ./cmd/gen`; not to be changed here.

import type { Hit, Prop } from './document'
import type { Key, Part } from './values'

export interface Asked {
  kind: string
  text?: string
  product?: string
  chosen?: string
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

export interface Change {
  at: string[]
  from?: string
  to?: string
  order?: boolean
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

export interface Credits {
  lines: string[]
  lacking: Lack[]
}

export interface Creep {
  from: number
  to: number
  text: string
}

export interface CutoutEdge {
  shift?: number
  smooth?: number
  feather?: number
  specks?: number
}

export interface Drag {
  second: number
  to: number
}

export interface Edge {
  head: [number, number]
  foot: [number, number]
}

export interface Excerpt {
  parts: Part[]
  tail: number
  bar: number
  bars: number
  holds: Stretch[]
}

export interface FontAxis {
  tag: string
  name: string
  least: number
  most: number
  usual: number
}

export interface Gain {
  frame: number
  decibels: number
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

export interface Heal {
  x: number
  y: number
  radius: number
}

export interface KeyRef {
  layer: string
  property: string
  frame: number
}

export interface Lack {
  prop: string
  name: string
}

export interface LegibleProposal {
  colour: string
  contrast: number
  brand: boolean
}

export interface Level {
  frame: number
  peak: number
}

export interface Look {
  emphasis: boolean
  struck: boolean
  bold: boolean
  bolder: boolean
  fill: string
  size: number
}

export interface LoopGap {
  pixels: number
  layer: string
  sudden: boolean
}

export interface Mistake {
  field: string
  says: string
  wrong?: boolean
}

export interface Node {
  at: [number, number]
  in: [number, number]
  out: [number, number]
}

export interface Order {
  box?: [number, number, number, number] | null
  around?: [number, number][]
  strokes?: Stroke[]
  pen?: [number, number, number, number, number, number][][]
  edge: CutoutEdge
  shadow?: boolean
  heals?: Heal[]
  out?: Order[]
  turn?: number
}

export interface OtherCount {
  other: number
  says: string
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

export interface Proposal {
  values: Record<string, number[]>
  says: string[]
}

export interface Quoted {
  id: string
  first: string
  second: string
  price: string
  percent: string
  base: string
  mistakes: Mistake[]
}

export interface Readable {
  wanted: number
  contrast: number
  frame: number
  emphasis: number
  proposals: LegibleProposal[]
  shade?: Veil | null
  plate: string
  w: number
  h: number
}

export interface Reading {
  frames: number
  says: string
  offer?: string
  problem?: string
}

export interface Retiming {
  was: string
  is: string
  scenes: SceneChange[]
  keys: number
  layers: string[]
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
  speaks?: string
  tracks: Track[]
  differ: string[]
  lacks: string
  unfilled?: string[]
  leftOut?: boolean
  doubts?: string[]
  hasty: string
  moves: Span[]
  lineup?: ViewLineup | null
}

export interface SceneChange {
  name: string
  was: string
  is: string
}

export interface Share {
  colour: string
  share: number
}

export interface Span {
  id: string
  kind: string
  from: number
  to: number
}

export interface Stretch {
  kind: string
  bars: number
}

export interface Stroke {
  stays: boolean
  radius: number
  points: [number, number][]
  inside?: boolean
  seeks?: boolean
  frame?: number
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

export interface Tune {
  prop: string
  start: number
  gain: number
  fadeIn: number
  fadeOut: number
}

export interface TuneBeat {
  at: number
  bar: number
  down: boolean
}

export interface TunePiece {
  from: number
  to: number
  at: number
  bars: number
}

export interface TuneSection {
  kind: string
  from: number
  to: number
  bars: number
}

export interface Variant {
  product: string
  shape: string
  language?: string
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
  sections: ViewSection[]
  tune: ViewSound | null
  wave: Level[]
  scenes: ViewScene[]
  markers: ViewMark[]
  range: [number, number] | null
  sounds: ViewSound[]
  rows: Row[]
}

export interface ViewHit {
  frame: number
  strength: number
  kind: 'low' | 'mid' | 'high' | 'rise'
}

export interface ViewLineup {
  unsure: string[]
  byHand: number
  waiting: number
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

export interface ViewSection {
  kind: 'quiet' | 'build' | 'full' | 'break'
  from: number
  to: number
}

export interface ViewSound {
  id: string
  name: string
  from: number
  to: number
  when: string
  muted: boolean
  silent: boolean
  wave: Level[]
  gain: Gain[]
}

export interface ViewTune {
  prop: string
  hash: string
  name: string
  seconds: number
  steady: boolean
  bpm: number
  beats: TuneBeat[]
  sections: TuneSection[]
  hits: Hit[]
  pieces: TunePiece[]
  tail: number
  kept: boolean
}

export interface WordsChange {
  emphasis?: boolean | null
  struck?: boolean | null
  bold?: boolean | null
  fill?: string | null
  size?: number | null
}
