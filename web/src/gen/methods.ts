// Made from the core by `go generate ./cmd/gen`; not to be changed here.

import type { Asked, Caret, Choices, KeyRef, LoopGap, PastEnd, Path, Quoted, Readable, Reading, Room, View } from './answered'
import type { Advanced, Aligning, Alone, Applied, Area, Around, Caught, ChangingInto, CourseAsked, Coursing, Draft, DraftMove, DraftPassage, DraftedMove, DraftedPassage, Drag, Dragged, EngineDrawing, FigureAt, FontAsked, FontNamed, FootageFile, Frames, Haunting, InShape, Letters, Lining, Looking, Made, Match, Matched, Matching, News, OnFrame, Pinning, PivotAt, Pivoted, Places, Point, ReadableAsked, Shift, Sketch, Spotted, Stretch, Styling, Trial, WayOf, When, Whole, Wish, Writing, Written } from './asked'
import type { Command } from './commands'
import type { Clip, DrawnPath, Layer, Mask, Move, Rest } from './document'
import type { Key } from './values'

// Methods are what the engine is asked and what it answers.
export interface Methods {
  advance: { in: News; out: Advanced }
  align: { in: Lining; out: Shift[] }
  aligned: { in: Aligning; out: Record<string, Rest> }
  alone: { in: Alone; out: boolean }
  apply: { in: Wish; out: Applied }
  asPath: { in: FigureAt; out: DrawnPath }
  carets: { in: OnFrame; out: Caret[] }
  choices: { in: string; out: Choices }
  colourUnder: { in: Spotted; out: string }
  course: { in: CourseAsked; out: Coursing }
  draft: { in: Draft; out: Layer }
  draftMove: { in: DraftMove; out: Move }
  draftPassage: { in: DraftPassage; out: DraftedPassage }
  draw: { in: EngineDrawing; out: Uint8Array }
  filledFields: { in: string; out: Record<string, string> }
  follow: { in: Wish; out: boolean }
  fontFacts: { in: FontNamed; out: FontAsked }
  footageFile: { in: FootageFile; out: boolean }
  ghosts: { in: Haunting; out: Uint8Array }
  keyHere: { in: KeyRef; out: Key }
  letters: { in: Stretch; out: Letters }
  loopGap: { in: InShape; out: LoopGap }
  match: { in: ChangingInto; out: Match }
  matching: { in: Matching; out: Matched }
  matte: { in: string; out: boolean }
  mix: { in: null; out: Uint8Array }
  moment: { in: string; out: When }
  moveFrames: { in: DraftedMove; out: Frames }
  open: { in: Clip; out: boolean }
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
  retryFonts: { in: null; out: boolean }
  room: { in: Dragged; out: Room }
  screenColour: { in: FigureAt; out: string }
  shadows: { in: boolean; out: boolean }
  sketch: { in: Sketch; out: Layer }
  sketchMask: { in: Around; out: Mask }
  snap: { in: Drag; out: Caught }
  solo: { in: string[]; out: boolean }
  sound: { in: string; out: boolean }
  stays: { in: Command; out: string }
  style: { in: Styling; out: Written }
  time: { in: string; out: number }
  told: { in: OnFrame; out: string }
  touching: { in: Area; out: string[] }
  trial: { in: Trial; out: Uint8Array }
  view: { in: Looking; out: View }
  wayOf: { in: WayOf; out: string }
  whole: { in: Whole; out: Advanced }
  write: { in: Writing; out: Written }
}
