// Made from the core by `go generate ./cmd/gen`; not to be changed here.

import type { Change, CopiedKey, Drag, KeyRef, Palette, Tune } from './answered'
import type { DrawnPath, Layer, Light, Lineup, Mark, Mask, Move, Product, Prop, Range, Rest, Scene, Shape, SoundTrack } from './document'
import type { Ease, Key, Moment, Part } from './values'

// Changed is any part of something; null takes away what can be absent.
export type Changed<T> = T extends unknown[] ? T : T extends object ? { [K in keyof T]?: Changed<T[K]> | null } : T

// Command is one change of a clip.
export type Command =
  | { type: 'actOnHits'; layers: string[]; move: Move; keep?: boolean }
  | { type: 'addColour'; layer: string }
  | { type: 'addLayer'; layer: Layer; at?: number | null }
  | { type: 'addLayers'; layers: Layer[]; id: string; group?: string }
  | { type: 'addLine'; layer: string }
  | { type: 'addMask'; layer: string; form: string; mask?: Mask | null }
  | { type: 'addPoint'; layer: string; number: number }
  | { type: 'addProp'; prop: Prop }
  | { type: 'addScene'; id: string; name?: string; after?: string; scene: Scene }
  | { type: 'adjust'; product: string; shape: string; language?: string; command: Command }
  | { type: 'batch'; commands: Command[] }
  | { type: 'becomePath'; layer: string; path: DrawnPath }
  | { type: 'bendPath'; key: KeyRef; out?: number[]; in?: number[] }
  | { type: 'bindKey'; key: KeyRef; to: Moment }
  | { type: 'bindProduct'; product: string; scene?: string }
  | { type: 'bringPictures'; props: Prop[] }
  | { type: 'changeInto'; layer: string; path: DrawnPath; into: DrawnPath; frame: number }
  | { type: 'clearRest'; layer: string; shape: string }
  | { type: 'closeLoop' }
  | { type: 'copyLayer'; layer: string; id: string }
  | { type: 'cutTune'; parts: Part[]; tail?: number; fits?: boolean; stay?: boolean }
  | { type: 'dropEffect'; layer: string; effect: string }
  | { type: 'fillWords'; layer: string; prop: string; id: string; picture: string; w: number; h: number }
  | { type: 'fitScenes'; unit: string }
  | { type: 'groupLayers'; layers: string[]; id: string; name: string }
  | { type: 'handle'; layer: string; shape: string; frame: number; target?: string; dx?: number; dy?: number; factor?: number; wider?: number; taller?: number; turn?: number; base?: [number, number] | null; anchor?: [number, number] | null }
  | { type: 'hearFootage'; layer: string; prop: Prop }
  | { type: 'holdCreep'; key: KeyRef }
  | { type: 'holdUntil'; layer: string; frame: number; properties?: string[] }
  | { type: 'intoGroup'; layers: string[]; group: string; beneath?: boolean }
  | { type: 'landOn'; layers: string[]; frame: number; on: Moment }
  | { type: 'likeOthers'; product: string; shape: string; language?: string }
  | { type: 'makeLineup'; layers: string[]; id: string; window?: boolean }
  | { type: 'moveKeys'; keys: KeyRef[]; by: number; add?: number[] }
  | { type: 'movePivot'; layer: string; shape: string; to: [number, number]; move: [number, number] }
  | { type: 'moveScene'; scene: string; to: number }
  | { type: 'partPosition'; layer: string; apart: boolean }
  | { type: 'pasteKeys'; layer: string; at: number; keys: CopiedKey[] }
  | { type: 'pasteMotion'; from: string; onto: string[]; at?: Moment | null }
  | { type: 'recut'; was: string; wasAt: [number, number]; prop: Prop; at: [number, number]; layer?: string }
  | { type: 'removeColour'; layer: string; number: number }
  | { type: 'removeKeys'; keys: KeyRef[] }
  | { type: 'removeLayer'; layer: string }
  | { type: 'removeLine'; layer: string; number: number }
  | { type: 'removeMask'; layer: string; number: number }
  | { type: 'removeMove'; layer: string; id: string }
  | { type: 'removePoint'; layer: string; number: number }
  | { type: 'reverseKeys'; keys: KeyRef[] }
  | { type: 'riseBehind'; layers: string[]; behind: string; id: string }
  | { type: 'runAlong'; layer: string; figure?: string }
  | { type: 'sceneForEach'; scene: string; products: string[] }
  | { type: 'setAxis'; layer: string; tag: string; at: number; frame: number }
  | { type: 'setClip'; name?: string | null; shapes?: Shape[]; rate?: number | null; length?: number | null; past?: string; poster?: Moment | null; shown?: string | null; loudness?: number | null; language?: string | null }
  | { type: 'setCredit'; prop: string; credit: string }
  | { type: 'setEase'; keys: KeyRef[]; ease: Ease }
  | { type: 'setKey'; layer: string; property: string; key: Key }
  | { type: 'setLayer'; layer: string; set: Changed<Layer> }
  | { type: 'setLight'; set: Changed<Light> }
  | { type: 'setLineup'; layer: string; lineup: Lineup | null; anew?: boolean }
  | { type: 'setMarks'; markers?: Mark[]; range?: Range | null; whole?: boolean }
  | { type: 'setMove'; layer: string; move: Move; at?: Moment | null }
  | { type: 'setPalette'; palette: Palette; scene?: string }
  | { type: 'setProduct'; product: Product }
  | { type: 'setRange'; props?: Prop[]; products?: Product[]; remove?: string[] }
  | { type: 'setRest'; layer: string; shape: string; set: Changed<Rest> }
  | { type: 'setRun'; layer: string; run: string }
  | { type: 'setSound'; id: string; sound: SoundTrack | null }
  | { type: 'setTempo'; bpm?: number | null; other?: number | null; taps?: number[]; times?: number; perBar?: number; barAt?: number | null; bar?: number | null; tapped?: number[]; even?: boolean; drag?: Drag | null; kept?: boolean | null }
  | { type: 'setTune'; tune: Tune | null; stay?: boolean }
  | { type: 'setValue'; layer: string; property: string; frame: number; value: number[] }
  | { type: 'setVariants'; products?: string[] | null; shapes?: string[] | null; languages?: string[] | null; files?: string | null }
  | { type: 'shadeWords'; layer: string; id: string; colour: string; opacity: number; w: number; h: number }
  | { type: 'shiftLayer'; layer: string; by: number; part: string }
  | { type: 'snapKeys'; keys: KeyRef[]; to: string }
  | { type: 'soundOfMove'; layer: string; move: string; prop: string }
  | { type: 'splitScene'; at: Moment; id: string; name?: string }
  | { type: 'spreadOut'; layers: string[]; beat: number; beats: number; order?: string }
  | { type: 'stackLayer'; layer: string; to?: number; above?: string; steps?: number }
  | { type: 'stagger'; layers: string[]; by?: number; beats?: number; order?: string; ease: Ease }
  | { type: 'stretchKeys'; keys: KeyRef[]; anchor: number; factor: number }
  | { type: 'swapPicture'; layer: string; prop: string }
  | { type: 'tradeProduct'; product: string; for: Product; prop?: Prop | null }
  | { type: 'trimScene'; scene: string; to?: Moment | null; from?: Moment | null; length?: Scene | null; unit?: string }
  | { type: 'undo'; changes: Change[]; kind?: string }
  | { type: 'ungroup'; layer: string }
  | { type: 'wearLook'; onto: string[]; from?: string; values?: Record<string, number[]>; table?: string }
