import type { Step } from './delivery'

// What can be taken back and done again on a clip is kept by the browser for as
// long as its tab lives, so that a reload does not forget it.

interface Steps {
  past: Step[]
  future: Step[]
}

const key = (clip: string) => `billow-steps/${clip}`
const most = 1_500_000 // letters; what was done longest ago is forgotten first

export function keepSteps(clip: string, steps: Steps) {
  let { past } = steps
  let text = JSON.stringify({ past, future: steps.future })
  while (text.length > most && past.length) {
    past = past.slice(Math.ceil(past.length / 2))
    text = JSON.stringify({ past, future: steps.future })
  }
  try {
    if (text.length <= most) sessionStorage.setItem(key(clip), text)
  } catch {
    sessionStorage.removeItem(key(clip)) // there is no room for it
  }
}

export function keptSteps(clip: string): Steps {
  try {
    const { past, future } = JSON.parse(sessionStorage.getItem(key(clip)) ?? '') as Steps
    const whole = (list: Step[]) => list.filter((s) => s.parts.every((p) => p.id && Array.isArray(p.undo)))
    return { past: whole(past), future: whole(future) }
  } catch {
    return { past: [], future: [] }
  }
}
