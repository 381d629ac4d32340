import { useTimeoutFn } from '@vueuse/core'
import { onBeforeUnmount, watch } from 'vue'
import { put } from '../engine/painters'
import { useEditor } from '../stores/editor'
import type { Command } from '../types'

// useSwatches draws small pictures of the frame as it would be after commands, one after the other, when
// nothing has changed for a moment.
export function useSwatches(wanted: () => { id: string; command: Command }[], of: () => string) {
  const editor = useEditor()
  const canvases = new Map<string, HTMLCanvasElement>()
  let round = 0
  let gone = false

  function onto(id: string, c: HTMLCanvasElement | null) {
    if (!c) canvases.delete(id)
    else if (canvases.get(id) !== c) {
      canvases.set(id, c)
      later.start()
    }
  }

  async function draw() {
    const mine = ++round
    const shape = editor.clip?.shapes.find((s) => s.id === editor.shape)
    if (!shape) return
    const k = 96 / Math.min(shape.w, shape.h)
    const [w, h] = [Math.round(shape.w * k), Math.round(shape.h * k)]
    for (const one of wanted()) {
      if (gone || mine !== round) return
      const canvas = canvases.get(one.id)
      if (!canvas) continue
      const { shape, frame } = editor
      const pixels = await editor
        .drawing()
        .engines[0].call('tried', { shape, w, h, frame, command: one.command })
        .catch(() => null) // a picture that is missing is told of by the picture itself
      if (pixels && mine === round) put(canvas, { w, h, pixels: pixels as Uint8Array })
    }
  }

  const later = useTimeoutFn(draw, 250, { immediate: false })
  watch([() => editor.frame, () => editor.shape, () => editor.version, of], () => later.start())
  onBeforeUnmount(() => (gone = true))
  return { onto }
}
