import { computed, ref, shallowRef, watch } from 'vue'
import { api } from '../api'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'
import type { ViewTune } from '../types'

// Columns of a second in which the engine tells how far a sound swings.
export const columns = 100

// useTune is the clip's tune by itself: its beats, sections and hits, how far it swings in
// three bands, and its samples.
export function useTune() {
  const editor = useEditor()
  const notices = useNotices()
  const tune = shallowRef<ViewTune | null>(null)
  const bands = shallowRef<Uint8Array[]>([])
  const samples = shallowRef<Uint8Array | null>(null) // 16 bits, both channels
  const hearing = ref(false)
  let known = ''

  async function refresh() {
    const next = await editor.ask('tune', null)
    tune.value = next
    if ((next?.hash ?? '') === known) return
    known = next?.hash ?? ''
    bands.value = []
    samples.value = null
    if (!next) return
    const bytes = await api.bytes(`/api/files/${next.hash}/sound`)
    if (known !== next.hash) return
    samples.value = bytes
    const all = await editor.ask('bands', null, bytes)
    const n = all.length / 3
    bands.value = [0, 1, 2].map((b) => all.subarray(b * n, (b + 1) * n))
  }

  watch(
    () => editor.version,
    () => refresh().catch(notices.fail),
    { immediate: true }
  )

  // hear lets the tune be heard anew: its beats, sections and hits.
  async function hear() {
    const prop = editor.clip?.props.find((p) => p.id === tune.value?.prop)
    if (!prop || !samples.value) return
    hearing.value = true
    try {
      const sound = await editor.ask('hear', null, samples.value)
      await editor.run({ type: 'addProp', prop: { ...prop, sound } })
    } catch (e) {
      notices.fail(e)
    } finally {
      hearing.value = false
    }
  }

  // Bars, and what else a part may begin or end with.
  const bars = computed(() => (tune.value?.beats ?? []).filter((b) => b.down).map((b) => b.at))
  const borders = computed(() => {
    const end = tune.value?.seconds ?? 0
    const last = bars.value.at(-1)
    return last === undefined ? [0, end] : [...bars.value, ...(end - last > 0.2 ? [end] : [])]
  })

  // snap is the nearest bar, or the place itself.
  function snap(second: number, off: boolean) {
    const end = tune.value?.seconds ?? 0
    const there = Math.max(0, Math.min(second, end))
    if (off) return Math.round(there * 1000) / 1000
    return borders.value.reduce(
      (best, b) => (Math.abs(b - there) < Math.abs(best - there) ? b : best),
      borders.value[0]
    )
  }

  // bar is the number of the bar that a second lies in, or of the one that begins there.
  const bar = (second: number) => tune.value?.beats.filter((b) => b.at <= second + 0.03).at(-1)?.bar ?? 1

  return { tune, bands, samples, hearing, hear, bars, borders, snap, bar }
}

export type Tune = ReturnType<typeof useTune>
