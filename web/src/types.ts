// The clip document, the commands and the engine's answers come from the core;
// what the server says besides is here.
import type { Command } from './gen/commands'
import type { Variant } from './gen/answered'
import type { Clip, Product, Prop } from './gen/document'

export type * from './gen/document'
export type * from './gen/values'
export type * from './gen/asked'
export type * from './gen/answered'
export type * from './gen/commands'
export type * from './gen/methods'
export type { Path as MotionPath } from './gen/answered'

// Effects under a name.
export interface NamedLook {
  id: string
  name: string
  values: Record<string, number[]> // of properties of effects
  table?: Prop // the table of colours that it uses
}

// A clip as the server has it.
export interface Opened {
  id: string
  revision: number
  clip: Clip
  needs: string[] // hashes of its pictures
}

// What the server answers whoever edits or catches up.
export interface Outcome {
  revision: number
  results?: { id: string; revision?: number; what?: string; refused?: { message: string; field: string } }[]
  missing: { revision: number; id: string; command: Command }[]
  whole?: boolean
}

export interface ExportPart {
  export: string
  shape: string
  state: 'waiting' | 'running' | 'done' | 'failed' | 'cancelled'
  done: number
  total: number
  error: string
  elapsed: number
  created: string
  quick: boolean
}

// How a table of products is read; what is not given is found out.
export interface TableOptions {
  header?: boolean
  columns?: string[] // a field each; "" is left out
  point?: string
  currency?: string
  onto?: string[] // products that the rows change
  exactly?: boolean
}

export interface TableReading {
  header: boolean
  columns: string[]
  headings: string[]
  point: string
  currency: string
  products: Product[] | null
  props: Prop[] | null
  from: number[] | null
  added: number
  changed: number
  same: number
  faults: { row: number; column: number; says: string; doubt?: boolean }[] | null
}

// A variant as the grid shows it.
export interface Varied extends Variant {
  file: string // without its ending
  adjusted?: boolean
  findings: { layer?: string; says: string; stops?: boolean }[]
}

// How far an export of variants has come.
export interface VariantExport {
  id: string
  created: string
  quick: boolean
  total: number
  done: number
  failed: number
  cancelled: number
  frames: number // the share of all, 0..1
  problem: string
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
