import { ref } from 'vue'
import { put } from '../engine/painters'
import { useEditor } from '../stores/editor'
import type { Command } from '../types'

// At the end of a glimpse the picture stands still for a moment, frames.
const rest = 14
// The longest that is played of what goes on and on, frames.
const longest = 75

const on = ref(false)
let target: () => { canvas: HTMLCanvasElement | null; w: number; h: number } = () => ({ canvas: null, w: 0, h: 0 })
let round = 0

// useGlimpse plays in the picture what a command would do, again and again until
// it ends; the clip stays as it is.
export function useGlimpse() {
  const editor = useEditor()

  async function begin(command: Command, from: number, to: number) {
    const mine = ++round
    on.value = true
    const painter = editor.drawing()
    await painter.settled()
    await painter.engines[0].call('follow', { command, keep: false }).catch(() => undefined)
    const first = Math.max(0, from)
    const last = Math.min(editor.view.length - 1, to, first + longest)
    const rate = editor.clip?.rate ?? 30
    const began = performance.now()
    let busy = false
    let shown = -1
    const tick = async () => {
      if (mine !== round) return
      requestAnimationFrame(tick)
      const count = last - first + 1 + rest
      const frame = Math.min(last, first + (Math.floor(((performance.now() - began) / 1000) * rate) % count))
      const { canvas, w, h } = target()
      if (busy || frame === shown || !canvas || w < 2) return
      busy = true
      const drawn = await painter.draw(0, editor.shape, w, h, frame).catch(() => null)
      busy = false
      if (!drawn || mine !== round) return
      shown = frame
      put(canvas, drawn)
      canvas.dataset.glimpse = String(frame)
    }
    requestAnimationFrame(tick)
  }

  // end shows the clip as it is again.
  function end() {
    if (!on.value) return
    round++
    on.value = false
    delete target().canvas?.dataset.glimpse
    editor.showPicture(null)
  }

  return { on, begin, end, onto: (t: typeof target) => (target = t) }
}
