import { onBeforeUnmount, watch } from 'vue'
import { useEditor } from '../stores/editor'
import { useGlimpse } from './useGlimpse'

// For how long the pointer has to rest, milliseconds.
const rests = 180

// useResting plays in the picture what is offered, while the pointer rests on it or the
// keyboard is on it. begin starts that, if it is wanted still by the time that it knows what
// to play.
export function useResting<T>(begin: (kind: T, wanted: () => boolean) => Promise<void>) {
  const editor = useEditor()
  const glimpse = useGlimpse()
  let waiting: ReturnType<typeof setTimeout> | undefined

  // What only came to lie under a pointer that stands still is not meant.
  let pointed: T | undefined
  let where = [NaN, NaN]
  function point(e: PointerEvent, kind: T) {
    const moved = e.clientX !== where[0] || e.clientY !== where[1]
    where = [e.clientX, e.clientY]
    if (moved && pointed !== kind) rest(kind)
  }

  function rest(kind: T) {
    pointed = kind
    clearTimeout(waiting)
    const mine = setTimeout(() => begin(kind, () => mine === waiting).catch(() => undefined), rests)
    waiting = mine
  }

  function leave() {
    clearTimeout(waiting)
    waiting = undefined
    pointed = undefined
    glimpse.end()
  }

  // Who goes to another frame wants to see it.
  watch(() => editor.frame, leave)
  onBeforeUnmount(leave)

  return { point, rest, leave, play: glimpse.begin }
}
