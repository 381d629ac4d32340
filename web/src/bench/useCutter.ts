import { onBeforeUnmount, ref, shallowRef } from 'vue'
import { api } from '../api'
import { Engine } from '../engine/engine'
import { firstParts } from '../engine/parts'
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
  const frame = ref(0) // of footage: the picture that is looked at
  const cutOf = ref(0) // the picture whose cut is shown
  const left = ref(0) // pictures that have to be looked at before it can be cut
  let photo = ''
  let moves = false
  let wanted: Order | null = null
  let last: Order | null = null
  let pump: Promise<void> | null = null

  const engine = new Engine({ crashed: () => undefined, font: () => undefined }, async () => {
    if (!photo) return
    await laid(photo)
    if (last) follow(last)
  })
  engine.start()
  onBeforeUnmount(() => engine.stop())

  // laid gives the engine a file; of footage its beginning, where its index is.
  async function laid(hash: string): Promise<Benched> {
    if (!moves) return engine.call('layPhoto', null, await api.bytes(`/api/files/${hash}`))
    for (let parts = 1; ; parts *= 4) {
      const footage = await engine.call('layFootage', hash, await firstParts(hash, parts))
      if (footage.frames) return footage
    }
  }

  // lay takes another photo, or footage, and makes what is wanted of it.
  async function lay(hash: string, order: Order, footage: boolean) {
    const known = photo === hash && size.value
    photo = hash
    moves = footage
    left.value = 0
    if (!known) frame.value = 0
    wanted = null
    found.value = draft.value = null
    busy.value = 'laying'
    if (known) return follow(order)
    size.value = null
    try {
      const now = await laid(hash)
      if (photo !== hash) return
      size.value = now
      if (now.frames) frame.value = Math.floor(now.frames / 2)
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
      const at = frame.value
      wanted = null
      busy.value = 'cutting'
      try {
        const f = moves ? await cutFrame(order, at) : await engine.call('followOrder', order)
        if (!f) continue
        const pixels = await engine.call('cutDraft', null)
        if (of !== photo || !size.value) continue
        found.value = f
        draft.value = image(pixels, size.value.smallW, size.value.smallH)
        cutOf.value = at
        version.value++
      } catch (e) {
        if (of === photo) notices.fail(e)
      }
    }
    busy.value = ''
  }

  // cutFrame is the cut of the picture that is looked at; nothing when something else is wanted
  // by then.
  async function cutFrame(order: Order, at: number) {
    const asked = { order, frame: at }
    do {
      left.value = await engine.call('lookOn', asked)
      if (wanted) return null
    } while (left.value > 0)
    return engine.call('cutFrame', asked)
  }

  // show looks at another picture of footage.
  function show(n: number) {
    frame.value = Math.max(0, Math.min((size.value?.frames ?? 1) - 1, n))
    if (last) void follow(last)
  }

  // part is a part of the cut in the photo's own pixels.
  async function part(x: number, y: number, w: number, h: number) {
    await pump
    return image(await engine.call('cutPart', { x, y, w, h }), w, h)
  }

  return { size, found, draft, version, busy, frame, cutOf, left, lay, follow, show, part }
}

const image = (pixels: Uint8Array, w: number, h: number) =>
  new ImageData(new Uint8ClampedArray(pixels.buffer as ArrayBuffer, pixels.byteOffset, pixels.byteLength), w, h)

export type Cutter = ReturnType<typeof useCutter>
