// Made from the core by `go generate ./cmd/gen`; not to be changed here.

export interface Ease {
  kind: 'linear' | 'in' | 'out' | 'inOut' | 'hold' | 'bezier' | 'spring' | 'bounce' | 'steps'
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
  off?: '' | 'left' | 'right' | 'above' | 'below' | 'aboveLeft' | 'aboveRight' | 'belowLeft' | 'belowRight'
  ease: Ease
  out?: number[]
  in?: number[]
  move?: string
  eased?: boolean
}

export interface Metre {
  beat: number
  perBar: number
}

export type Moment = number | { beat: number; frames?: number }

export interface Part {
  from: number
  to: number
}

export interface Stepping {
  rate: number
  turn?: number
  shift?: number
  seed?: number
  phase?: number
}

export interface Tempo {
  bpm: number
  first?: number
  perBar: number
  beats?: number[]
  zero?: number
  metres?: Metre[]
}

export interface Wander {
  amount: number
  turn?: number
  size?: number
  pace: number
  seed?: number
  closed?: boolean
}
