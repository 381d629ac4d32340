// Made from the core by `go generate ./cmd/gen`; not to be changed here.

import type { Command } from './commands'
import type { Ease, Key, Moment, Part, Stepping, Tempo, Wander } from './values'

export interface Accent {
  emphasis?: boolean
  font?: string
  fill?: string | null
  size?: number
}

export interface Afar {
  x?: number
  y?: number
  size: number
  turn?: number
  skew?: number
  blur?: number
  apart?: number
  opacity: number
  colour?: string | null
}

export interface Axis {
  id: number
  tag: string
  at: number
}

export interface Backdrop {
  run?: 'linear' | 'radial' | 'conic' | 'free'
  stops: Stop[]
  angle: number
  x?: number
  y?: number
  reach?: number
  flat?: number
  points?: ColourPoint[]
}

export interface Beside {
  layer: string
  gap: number
}

export interface Card {
  form: 'card' | 'disc' | 'ring' | 'polygon' | 'star' | 'burst' | 'arrow' | 'line' | 'tag' | 'ticket' | 'ribbon' | 'path'
  aspect: number
  fills?: boolean
  fill: string
  gradient?: Fill | null
  outline: string
  pen?: Pen | null
  points?: number
  hole?: Hole | null
  path?: DrawnPath | null
  hollow?: boolean
  lines?: Line[]
}

export interface Cell {
  id: string
  product: string
  shape: string
  language?: string
  commands: Command[]
}

export interface Clip {
  version: number
  name: string
  shapes: Shape[]
  rate: number
  tempo: Tempo
  light: Light
  sounds?: SoundTrack[]
  loudness?: number
  props: Prop[]
  products: Product[]
  shown?: string
  language?: string
  layers: Layer[]
  poster?: Moment | null
  markers?: Mark[]
  variants?: Variants | null
  range?: Range | null
}

export interface ColourPoint {
  id: number
  x: number
  y: number
  colour: string
}

export interface Covering {
  fit: 'fill' | 'fit' | 'tile'
  x: number
  y: number
  side: number
  tint?: string
}

export interface Cutout {
  prop: string
  fitted?: Fitted | null
  outline?: string
  runs?: Running | null
  covering?: Covering | null
}

export interface Drawing {
  leftOut?: string[]
}

export interface DrawnPath {
  closed?: boolean
  points: PathPoint[]
}

export interface Fill {
  run?: 'linear' | 'radial' | 'conic' | 'free'
  stops: Stop[]
  angle: number
  x?: number
  y?: number
  reach?: number
  flat?: number
  points?: ColourPoint[]
}

export interface Fit {
  height: number
  smallest: number
  largest: number
}

export interface Fitted {
  aspect: number
  cover: number
}

export interface Floor {
  wall: string
  ground: string
  horizon: number
  soft: number
  light: string
  glow: number
  at: number
  reach: number
}

export interface Follow {
  layer: string
  position?: boolean
  rotation?: boolean
  scale?: boolean
}

export interface Footage {
  seconds: number
  frames: number
  alpha?: boolean
  sound?: string
}

export interface Gel {
  where?: string
}

export interface Grain {
  strength: number
  size: number
  changes?: number
  seed?: number
}

export interface Hit {
  at: number
  strength: number
  kind: 'low' | 'mid' | 'high' | 'rise'
  again?: boolean
  lasts?: number
}

export interface HitChoice {
  kinds?: string[]
  least: number
  which?: '' | 'again' | 'alone'
  apart?: number
}

export interface Hole {
  form: 'disc' | 'card'
  x: number
  y: number
  size: number
  aspect: number
  corner: number
}

export interface Inside {
  offset?: number
  speed?: number
  reverse?: boolean
  freeze?: number | null
  repeat?: number
  clip?: string
  by?: 'brightness'
  invert?: boolean
  free?: boolean
  together?: boolean
}

export interface Item {
  layer: string
  with?: string[]
}

export interface Layer {
  id: string
  name: string
  kind: 'cutout' | 'words' | 'badge' | 'card' | 'marquee' | 'backdrop' | 'photo' | 'floor' | 'pattern' | 'vignette' | 'grain' | 'gel' | 'group' | 'scene'
  group?: string
  from: Moment
  to: Moment | null
  rest: Rest
  rests?: Record<string, Rest>
  lift: number
  shadow?: Shadow | null
  blend: 'normal' | 'multiply' | 'screen' | 'overlay' | 'darken' | 'lighten' | 'color-dodge' | 'color-burn' | 'hard-light' | 'soft-light' | 'difference' | 'exclusion' | 'hue' | 'saturation' | 'color' | 'luminosity'
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
  reveal?: Reveal | null
  masks?: Mask[]
  repeat?: Repeat | null
  table?: string
  cutout?: Cutout | null
  words?: Words | null
  backdrop?: Backdrop | null
  card?: Card | null
  pattern?: Pattern | null
  floor?: Floor | null
  grain?: Grain | null
  gel?: Gel | null
  inside?: Inside | null
  scene?: Scene | null
  lineup?: Lineup | null
}

export interface Leave {
  kind: '' | 'dissolve'
  frames: number
}

export interface Light {
  direction: number
  height: number
  softness: number
  strength: number
  colour: string
  tracks?: Record<string, Key[]>
}

export interface Line {
  id: number
  width: number
  apart: number
  colour: string
}

export interface Lineup {
  slots: Slot[]
  hero: number
  items: Item[]
  start: Moment
  stay: number
  beats?: number
  on?: HitChoice | null
  change: number
  bars?: number
  ease?: Ease | null
  leaves?: boolean
}

export interface Mark {
  name: string
  at: Moment
}

export interface Mask {
  id: number
  form: string
  mode?: string
  invert?: boolean
  still?: boolean
  x: number
  y: number
  w: number
  h: number
  turn?: number
  corner?: number
  feather?: number
  expand?: number
  path?: DrawnPath | null
}

export interface Money {
  cents?: '' | 'raised' | 'bare'
  zeros?: '' | 'none' | 'dash'
  sign?: '' | 'small' | 'raised'
}

export interface Move {
  id: string
  kind: 'gust' | 'settle' | 'swell' | 'flutter' | 'waft' | 'unfurl' | 'near' | 'bob' | 'lull' | 'hits' | 'whisk'
  at: Moment
  lands?: boolean
  length: number
  beats?: number
  side?: '' | 'left' | 'right' | 'above' | 'below' | 'aboveLeft' | 'aboveRight' | 'belowLeft' | 'belowRight'
  turn: number
  strength: number
  drift?: number
  goesOn?: boolean
  hits?: OnHits | null
}

export interface OfMove {
  layer: string
  move: string
}

export interface OnHits {
  does: 'swell' | 'nudge' | 'flash' | 'exchange' | 'invert' | 'turns'
  kinds?: string[]
  least: number
  which?: '' | 'again' | 'alone'
  apart?: number
  frames?: number
  with?: string
  turn?: number
  of?: number
}

export interface OwnFont {
  family: string
  style: string
  embedding: 'installable' | 'editable' | 'preview' | 'restricted'
  letters: number
}

export interface Passage {
  by: 'whole' | 'line' | 'word' | 'letter'
  order?: '' | 'backward' | 'centre' | 'edges' | 'random'
  seed?: number
  at: Moment
  each: number
  over?: number
  beats?: number
  ease: Ease
  afar: Afar
  edge?: '' | 'below' | 'above' | 'left' | 'right'
  wiped?: boolean
  soft?: number
  drawn?: boolean
  counts?: boolean
  countsFrom?: string
  rolls?: boolean
  scrambles?: boolean
  caret?: boolean
}

export interface PathPoint {
  id: number
  x: number
  y: number
  in: [number, number]
  out: [number, number]
  begins?: boolean
}

export interface Pattern {
  form: 'disc' | 'card' | 'burst' | 'cross'
  fill: string
  apart: number
  size: number
  shift: number
}

export interface Pen {
  cap?: 'round' | 'butt' | 'square'
  join?: 'round' | 'miter' | 'bevel'
  dash?: number
  gap?: number
  then?: number[]
}

export interface Picture {
  w: number
  h: number
  visible: [number, number, number, number]
  area?: number
  drawing?: Drawing | null
}

export interface Plate {
  kind: 'pill' | 'card' | 'disc' | 'burst' | 'lines'
  fill: string
  room: number
  size?: number
  round?: number | null
  follows?: boolean
}

export interface Product {
  id: string
  name: string
  first?: string
  second?: string
  line?: string
  price: string
  oldPrice: string
  lowest?: string
  percent?: string
  quote?: '' | 'from' | 'each'
  deal?: string
  contents?: string
  currency: string
  web?: string
  prop?: string
  awaits?: string
  fields?: Record<string, string>
  spoken?: Record<string, Record<string, string>>
}

export interface Prop {
  id: string
  name: string
  kind: 'cutout' | 'footage' | 'tune' | 'font' | 'table'
  hash: string
  media: string
  credit?: string
  picture?: Picture | null
  footage?: Footage | null
  sound?: Sound | null
  font?: OwnFont | null
  table?: Table | null
}

export interface Range {
  in: Moment
  out: Moment
}

export interface Repeat {
  columns?: number
  rows?: number
  speed?: number
  byBar?: boolean
  opposite?: boolean
}

export interface Rest {
  pin: 'centre' | 'top' | 'bottom' | 'left' | 'right' | 'topLeft' | 'topRight' | 'bottomLeft' | 'bottomRight'
  x: number
  y: number
  size: number
  turn: number
  away?: boolean
}

export interface Reveal {
  side: 'left' | 'right' | 'above' | 'below'
  slide?: boolean
}

export interface Running {
  from?: number
  to?: number
  speed?: number
  beats?: number
  reverse?: boolean
  again?: '' | 'loop' | 'swing'
  seam?: number
  blended?: boolean
  freeze?: Moment | null
}

export interface Scene {
  frames?: number
  beats?: number
  bars?: number
  leave?: Leave
  product?: string
}

export interface Section {
  at: number
  kind: 'quiet' | 'build' | 'full' | 'break'
}

export interface Shadow {
  none?: boolean
  direction: number
  distance: number
  softness: number
  strength: number
}

export interface Shape {
  id: string
  w: number
  h: number
}

export interface Slot {
  name: string
  x: number
  y: number
  size: number
  turn: number
  opacity: number
}

export interface Sound {
  seconds: number
  tempo: Tempo
  hits: Hit[]
  levels: string
  steady: boolean
  sure?: Sure
  others?: Tempo[]
  sections?: Section[]
}

export interface SoundTrack {
  id: string
  prop: string
  at: Moment
  trim: number
  length?: number
  gain: number
  keys?: Key[]
  fadeIn: number
  fadeOut: number
  pan?: number
  muted?: boolean
  fadeInShape?: '' | 'straight' | 'soft' | 'deep'
  fadeOutShape?: '' | 'straight' | 'soft' | 'deep'
  parts?: Part[]
  tail?: number
  count?: Tempo | null
  kept?: boolean
  pans?: number
  with?: OfMove
  solo?: boolean
  ducks?: number
  duck?: number
}

export interface Stop {
  id?: number
  at: number
  colour: string
}

export interface Sure {
  beat: number
  tempo?: number
  bars?: number
}

export interface Table {
  size: number
  row?: boolean
}

export interface Variants {
  products: string[]
  shapes?: string[]
  languages?: string[]
  files?: string
  cells?: Cell[]
}

export interface Words {
  text: string
  texts?: Record<string, string>
  product?: string
  font: string
  fill: string
  emphasisFont?: string
  emphasisFill: string
  accents?: Accent[]
  align: 'left' | 'centre' | 'right'
  byEdge?: boolean
  width: number
  balanced?: boolean
  filling?: boolean
  lineSpacing: number
  letterSpacing: number
  optical?: boolean
  money?: Money | null
  features?: string[]
  axes?: Axis[]
  fit?: Fit | null
  beside?: Beside | null
  along?: string
  gradient?: Fill | null
  behind?: boolean
  outline: string
  plate?: Plate | null
  comes?: Passage | null
  goes?: Passage | null
}
