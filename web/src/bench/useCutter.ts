import { onBeforeUnmount, ref, shallowRef } from 'vue'
import { api } from '../api'
import { Engine } from '../engine/engine'
import { useNotices } from '../stores/notices'
import type { Benched, CutFound, Order } from '../types'

// useCutter is the engine that cuts the photo on the Bench: it has one for itself, so that
// strokes do not wait for the clip.
export function useCutter() {
  const notices = useNotices()
  const size = shallowRef<Benched | null>(null)
  const found = shallowRef<CutFound | null>(null)
  const draft = shallowRef<ImageData | null>(null)
  const version = ref(0) // counts the cuts that were made
  const busy = ref<'' | 'laying' | 'cutting'>('')
  let photo = ''
  let wanted: Order | null = null
  let last: Order | null = null
  let pump: Promise<void> | null = null

  const engine = new Engine({ crashed: () => undefined, font: () => undefined }, async () => {
    if (!photo) return
    await engine.call('layPhoto', null, await api.bytes(`/api/files/${photo}`))
    if (last) follow(last)
  })
  engine.start()
  onBeforeUnmount(() => engine.stop())

  // lay takes another photo, and makes what is wanted of it.
  async function lay(hash: string, order: Order) {
    const known = photo === hash && size.value
    photo = hash
    wanted = null
    found.value = draft.value = null
    busy.value = 'laying'
    if (known) return follow(order)
    size.value = null
    try {
      const bytes = await api.bytes(`/api/files/${hash}`)
      if (photo !== hash) return
      const laid = await engine.call('layPhoto', null, bytes)
      if (photo !== hash) return
      size.value = laid
      await follow(order)
    } catch (e) {
      if (photo === hash) notices.fail(e)
    } finally {
      if (photo === hash) busy.value = ''
    }
  }

  // follow makes the cut that an order wants; of several that come soon after each other,
  // the last.
  function follow(order: Order) {
    wanted = last = order
    pump ??= run().finally(() => (pump = null))
    return pump
  }

  async function run() {
    while (wanted && size.value) {
      const order = wanted
      const of = photo
      wanted = null
      busy.value = 'cutting'
      try {
        const f = await engine.call('followOrder', order)
        const pixels = await engine.call('cutDraft', null)
        if (of !== photo || !size.value) continue
        found.value = f
        draft.value = image(pixels, size.value.smallW, size.value.smallH)
        version.value++
      } catch (e) {
        if (of === photo) notices.fail(e)
      }
    }
    busy.value = ''
  }

  // part is a part of the cut in the photo's own pixels.
  async function part(x: number, y: number, w: number, h: number) {
    await pump
    return image(await engine.call('cutPart', { x, y, w, h }), w, h)
  }

  return { size, found, draft, version, busy, lay, follow, part }
}

const image = (pixels: Uint8Array, w: number, h: number) =>
  new ImageData(new Uint8ClampedArray(pixels.buffer as ArrayBuffer, pixels.byteOffset, pixels.byteLength), w, h)

export type Cutter = ReturnType<typeof useCutter>
