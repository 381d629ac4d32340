// Made from the core by `go generate ./cmd/gen`; not to be changed here.

import type { Asked, Caret, Choices, Credits, Excerpt, KeyRef, LoopGap, Order, OtherCount, PastEnd, Path, Proposal, Quoted, Readable, Reading, Retiming, Room, View, ViewTune } from './answered'
import type { Advanced, Aligning, Alone, Applied, Area, Around, Benched, Caught, ChangingInto, CourseAsked, Coursing, Cut, CutFound, Draft, DraftMove, DraftPassage, DraftedMove, DraftedPassage, Dragged, EngineDrag, EngineDrawing, EngineStretch, FigureAt, FontAsked, FontNamed, FootageFile, FrameWanted, Frames, Haunting, InShape, LayeredAsked, Letters, Lining, Looking, Loudness, Made, Match, Matched, Matching, News, OnFrame, Pinning, PivotAt, Pivoted, Places, Point, ReadableAsked, Shift, Sketch, Spotted, Styling, Trial, Tried, Way, WayOf, When, Whole, Window, Wish, Writing, Written } from './asked'
import type { Command } from './commands'
import type { Clip, DrawnPath, Layer, Mask, Move, Rest, Sound } from './document'
import type { Key } from './values'

// Methods are what the engine is asked and what it answers.
export interface Methods {
  advance: { in: News; out: Advanced }
  align: { in: Lining; out: Shift[] }
  aligned: { in: Aligning; out: Record<string, Rest> }
  alone: { in: Alone; out: boolean }
  apply: { in: Wish; out: Applied }
  asPath: { in: FigureAt; out: DrawnPath }
  bands: { in: null; out: Uint8Array }
  behindAll: { in: EngineDrawing; out: Uint8Array }
  carets: { in: OnFrame; out: Caret[] }
  choices: { in: string; out: Choices }
  colourUnder: { in: Spotted; out: string }
  course: { in: CourseAsked; out: Coursing }
  credits: { in: null; out: Credits }
  cutDraft: { in: null; out: Uint8Array }
  cutFrame: { in: FrameWanted; out: CutFound }
  cutPart: { in: Window; out: Uint8Array }
  draft: { in: Draft; out: Layer }
  draftMove: { in: DraftMove; out: Move }
  draftPassage: { in: DraftPassage; out: DraftedPassage }
  draw: { in: EngineDrawing; out: Uint8Array }
  excerpts: { in: number; out: Excerpt[] }
  filledFields: { in: string; out: Record<string, string> }
  follow: { in: Wish; out: boolean }
  followOrder: { in: Order; out: CutFound }
  fontFacts: { in: FontNamed; out: FontAsked }
  footageFile: { in: FootageFile; out: boolean }
  ghosts: { in: Haunting; out: Uint8Array }
  hear: { in: null; out: Sound | null }
  hearCut: { in: Cut; out: Uint8Array }
  improve: { in: FigureAt; out: Proposal }
  keyHere: { in: KeyRef; out: Key }
  layFootage: { in: string; out: Benched }
  layPhoto: { in: null; out: Benched }
  layeredPicture: { in: LayeredAsked; out: Uint8Array }
  letters: { in: EngineStretch; out: Letters }
  lookAs: { in: Way; out: boolean }
  lookOn: { in: FrameWanted; out: number }
  loopGap: { in: InShape; out: LoopGap }
  loudness: { in: null; out: Loudness }
  match: { in: ChangingInto; out: Match }
  matching: { in: Matching; out: Matched }
  mix: { in: null; out: Uint8Array }
  moment: { in: string; out: When }
  moveFrames: { in: DraftedMove; out: Frames }
  open: { in: Clip; out: boolean }
  otherCounts: { in: null; out: OtherCount[] }
  pastEnd: { in: number; out: PastEnd }
  path: { in: InShape; out: Path }
  pick: { in: Point; out: string[] }
  picture: { in: string; out: boolean }
  piece: { in: Asked; out: Made }
  pinned: { in: Pinning; out: Rest }
  pivot: { in: PivotAt; out: Pivoted }
  places: { in: Looking; out: Places }
  posterFrame: { in: null; out: number }
  quoted: { in: string[]; out: Quoted[] }
  readLength: { in: string; out: Reading }
  readMoment: { in: string; out: Reading }
  readable: { in: ReadableAsked; out: Readable }
  reopen: { in: Clip; out: boolean }
  retiming: { in: Wish; out: Retiming }
  retryFonts: { in: null; out: boolean }
  room: { in: Dragged; out: Room }
  screenColour: { in: FigureAt; out: string }
  shadows: { in: boolean; out: boolean }
  sketch: { in: Sketch; out: Layer }
  sketchMask: { in: Around; out: Mask }
  snap: { in: EngineDrag; out: Caught }
  solo: { in: string[]; out: boolean }
  sound: { in: string; out: boolean }
  stays: { in: Command; out: string }
  struck: { in: DraftedMove; out: number[] }
  style: { in: Styling; out: Written }
  suit: { in: FigureAt; out: Proposal }
  time: { in: string; out: number }
  told: { in: OnFrame; out: string }
  touching: { in: Area; out: string[] }
  trial: { in: Trial; out: Uint8Array }
  tried: { in: Tried; out: Uint8Array }
  tune: { in: null; out: ViewTune | null }
  view: { in: Looking; out: View }
  wayOf: { in: WayOf; out: string }
  whole: { in: Whole; out: Advanced }
  write: { in: Writing; out: Written }
}
