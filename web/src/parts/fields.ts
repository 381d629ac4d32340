// What is to be said of something half typed: whether it can be taken, and what
// is wrong with it otherwise, unless it may still become right.
export interface Checked {
  ok: boolean
  problem?: string
}

export function named(text: string): Checked {
  return text.trim() ? { ok: true } : { ok: false, problem: 'It needs a name; without one the old one stays.' }
}

export function coloured(text: string): Checked {
  const said = text.trim()
  if (/^#?([0-9a-f]{6}|[0-9a-f]{8})$/i.test(said)) return { ok: true }
  return /^#?[0-9a-f]{0,8}$/i.test(said) ? { ok: false } : { ok: false, problem: 'A colour is written #rrggbb.' }
}
