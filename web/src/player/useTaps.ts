import { computed, ref } from 'vue'
import { useDesk } from '../stores/desk'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'

// What someone has tapped along with what plays, the last taps only: whoever pauses for three
// seconds, or goes back, begins again.
const taps = ref<number[]>([])
const pause = 3

// tapped adds a tap to others; second is how long a second is as they are counted.
export function tapped(before: number[], at: number, second: number) {
  const last = before.at(-1)
  return last !== undefined && (at <= last || at - last > pause * second) ? [at] : [...before, at]
}

// enough is how many taps it takes to tell a tempo.
export const enoughTaps = 4

// useTaps takes taps on the beats; the core tells which count they mean.
export function useTaps() {
  const editor = useEditor()
  const enough = computed(() => taps.value.length >= enoughTaps)

  function tap() {
    if (!editor.playing) {
      useNotices().say('Play first, then tap on each beat')
      return
    }
    useDesk().panel = 'clip'
    taps.value = tapped(taps.value, editor.frame, editor.clip?.rate ?? 30)
  }

  const forget = () => (taps.value = [])

  async function count() {
    await editor.run({ type: 'setTempo', taps: taps.value })
    forget()
  }

  return { taps, enough, tap, forget, count }
}
