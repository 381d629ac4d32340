// Made from the core by `go generate ./cmd/gen`; not to be changed here.

import type { Accent, Clip, Ease, Key, Layer, Light, Lineup, Mark, Moment, Move, Product, Prop, Range, Rest, Scene, Shape, Words } from './document'

export interface Advanced {
  same: boolean
  lost?: Lost[]
  undos?: Record<string, Undone>
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

export interface Choice {
  id: string
  name: string
}

export interface Choices {
  groups: Choice[]
  scenes: Choice[]
  leaders: Choice[]
  cuts: Choice[]
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
  shape?: string
  at?: [number, number] | null
}

export interface DraftMove {
  kind: string
  layer: string
  at: Moment
}

export interface DraftedMove {
  layer: string
  move: Move
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

export interface Drawing {
  shape: string
  w: number
  h: number
  frame: number
}

export interface Edge {
  head: [number, number]
  foot: [number, number]
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
  moves: Span[]
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

// Changed is any part of something; null takes away what can be absent.
export type Changed<T> = T extends unknown[] ? T : T extends object ? { [K in keyof T]?: Changed<T[K]> | null } : T

// Command is one change of a clip.
export type Command =
  | { type: 'addLayer'; layer: Layer; at?: number | null }
  | { type: 'addProp'; prop: Prop }
  | { type: 'addScene'; id: string; name?: string; after?: string; scene: Scene }
  | { type: 'batch'; commands: Command[] }
  | { type: 'bendPath'; key: KeyRef; out?: number[]; in?: number[] }
  | { type: 'bindKey'; key: KeyRef; to: Moment }
  | { type: 'clearRest'; layer: string; shape: string }
  | { type: 'closeLoop' }
  | { type: 'copyLayer'; layer: string; id: string }
  | { type: 'groupLayers'; layers: string[]; id: string; name: string }
  | { type: 'handle'; layer: string; shape: string; frame: number; target?: string; dx?: number; dy?: number; factor?: number; wider?: number; taller?: number; turn?: number; base?: [number, number] | null }
  | { type: 'holdCreep'; key: KeyRef }
  | { type: 'holdUntil'; layer: string; frame: number; properties?: string[] }
  | { type: 'intoGroup'; layers: string[]; group: string; beneath?: boolean }
  | { type: 'makeLineup'; layers: string[]; id: string; window?: boolean }
  | { type: 'moveKeys'; keys: KeyRef[]; by: number; add?: number[] }
  | { type: 'movePivot'; layer: string; shape: string; to: [number, number]; move: [number, number] }
  | { type: 'moveScene'; scene: string; to: number }
  | { type: 'pasteKeys'; layer: string; at: number; keys: CopiedKey[] }
  | { type: 'pasteMotion'; from: string; onto: string[]; at?: Moment | null }
  | { type: 'removeKeys'; keys: KeyRef[] }
  | { type: 'removeLayer'; layer: string }
  | { type: 'removeMove'; layer: string; id: string }
  | { type: 'reverseKeys'; keys: KeyRef[] }
  | { type: 'setClip'; name?: string | null; shapes?: Shape[]; rate?: number | null; length?: number | null; past?: string; poster?: Moment | null; shown?: string | null }
  | { type: 'setEase'; keys: KeyRef[]; ease: Ease }
  | { type: 'setKey'; layer: string; property: string; key: Key }
  | { type: 'setLayer'; layer: string; set: Changed<Layer> }
  | { type: 'setLight'; set: Changed<Light> }
  | { type: 'setLineup'; layer: string; lineup: Lineup | null }
  | { type: 'setMarks'; markers?: Mark[]; range?: Range | null; whole?: boolean }
  | { type: 'setMove'; layer: string; move: Move; at?: Moment | null }
  | { type: 'setProduct'; product: Product }
  | { type: 'setRest'; layer: string; shape: string; set: Changed<Rest> }
  | { type: 'setTempo'; bpm?: number | null; times?: number; perBar?: number; barAt?: number | null }
  | { type: 'setTune'; tune: Tune | null }
  | { type: 'setValue'; layer: string; property: string; frame: number; value: number[] }
  | { type: 'shiftLayer'; layer: string; by: number; part: string }
  | { type: 'snapKeys'; keys: KeyRef[]; to: string }
  | { type: 'splitScene'; at: Moment; id: string; name?: string }
  | { type: 'stackLayer'; layer: string; to?: number; above?: string; steps?: number }
  | { type: 'stagger'; layers: string[]; by?: number; beats?: number; order?: string; ease: Ease }
  | { type: 'stretchKeys'; keys: KeyRef[]; anchor: number; factor: number }
  | { type: 'swapPicture'; layer: string; prop: string }
  | { type: 'tradeProduct'; product: string; for: Product; prop?: Prop | null }
  | { type: 'trimScene'; scene: string; to?: Moment | null; from?: Moment | null; length?: Scene | null; unit?: string }
  | { type: 'undo'; changes: Change[]; kind?: string }
  | { type: 'ungroup'; layer: string }

// Methods are what the engine is asked and what it answers.
export interface Methods {
  advance: { in: News; out: Advanced }
  align: { in: Lining; out: Shift[] }
  apply: { in: Wish; out: Applied }
  carets: { in: OnFrame; out: Caret[] }
  choices: { in: string; out: Choices }
  draft: { in: Draft; out: Layer }
  draftMove: { in: DraftMove; out: Move }
  draw: { in: Drawing; out: Uint8Array }
  follow: { in: Wish; out: boolean }
  ghosts: { in: Haunting; out: Uint8Array }
  keyHere: { in: KeyRef; out: Key }
  letters: { in: Stretch; out: Letters }
  loopGap: { in: InShape; out: LoopGap }
  mix: { in: null; out: Uint8Array }
  moment: { in: string; out: When }
  moveFrames: { in: DraftedMove; out: Frames }
  open: { in: Clip; out: boolean }
  pastEnd: { in: number; out: PastEnd }
  path: { in: InShape; out: Path }
  pick: { in: Point; out: string[] }
  picture: { in: string; out: boolean }
  pinned: { in: Pinning; out: Rest }
  pivot: { in: PivotAt; out: Pivoted }
  places: { in: Looking; out: Places }
  posterFrame: { in: null; out: number }
  readLength: { in: string; out: Reading }
  readMoment: { in: string; out: Reading }
  reopen: { in: Clip; out: boolean }
  retryFonts: { in: null; out: boolean }
  room: { in: Dragged; out: Room }
  snap: { in: Drag; out: Caught }
  solo: { in: string[]; out: boolean }
  sound: { in: string; out: boolean }
  stays: { in: Command; out: string }
  style: { in: Styling; out: Written }
  time: { in: string; out: number }
  told: { in: OnFrame; out: string }
  touching: { in: Area; out: string[] }
  view: { in: Looking; out: View }
  whole: { in: Whole; out: Advanced }
  write: { in: Writing; out: Written }
}
