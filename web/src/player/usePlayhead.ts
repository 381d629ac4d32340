import { computed } from 'vue'
import { useEditor } from '../stores/editor'
import type { Moment } from '../types'

// usePlayhead is where the playhead stands and how it goes from one thing to
// the next.
export function usePlayhead() {
  const editor = useEditor()
  const beatHere = computed(() => editor.view.beats.find((b) => b.frame === editor.frame))

  // here is the playhead's moment, bound to the beat on which it stands.
  const here = (): Moment => (beatHere.value ? { beat: beatHere.value.beat } : editor.frame)

  // jump goes to the nearest of some frames, in order, before or after it.
  function jump(frames: number[], direction: number) {
    const to = direction > 0 ? frames.find((f) => f > editor.frame) : frames.filter((f) => f < editor.frame).at(-1)
    if (to !== undefined) editor.go(to)
  }

  const beat = (direction: number) =>
    jump(
      editor.view.beats.map((b) => b.frame),
      direction
    )

  return { beatHere, here, jump, beat }
}
