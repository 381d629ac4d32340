import { computed, ref, shallowRef, watch } from 'vue'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'
import type { Command, Retiming, Part } from '../types'
import type { Tune } from './useTune'

// useCut is what of the tune the clip is to play, until it is taken: parts one after the
// other, and for how long it dies away.
export function useCut(of: Tune) {
  const editor = useEditor()
  const notices = useNotices()
  const draft = shallowRef<{ parts: Part[]; tail: number } | null>(null)
  const chosen = ref(0)
  const stay = ref(false) // keys stay at their times
  const fits = ref(false) // the clip becomes as long
  const outcome = shallowRef<Retiming | null>(null)
  const refused = ref('')

  const kept = computed(() => {
    const t = of.tune.value
    return { parts: (t?.pieces ?? []).map(({ from, to }) => ({ from, to })), tail: t?.tail ?? 0 }
  })
  const now = computed(() => draft.value ?? kept.value)
  const parts = computed(() => now.value.parts)
  const seconds = computed(() => now.value.parts.reduce((sum, p) => sum + p.to - p.from, 0) + now.value.tail)
  const command = computed((): Command | null =>
    draft.value
      ? { type: 'cutTune', parts: draft.value.parts, tail: draft.value.tail, stay: stay.value, fits: fits.value }
      : null
  )

  function propose(parts: Part[], tail = now.value.tail) {
    draft.value = { parts, tail }
    chosen.value = Math.max(0, Math.min(chosen.value, parts.length - 1))
  }

  const change = (i: number, to: Partial<Part>) => propose(parts.value.map((p, k) => (k === i ? { ...p, ...to } : p)))

  // edge moves one end of a part; it stays longer than nothing.
  function edge(i: number, end: 'from' | 'to', second: number) {
    const p = parts.value[i]
    const least = 0.2
    if (end === 'from') change(i, { from: Math.max(0, Math.min(second, p.to - least)) })
    else change(i, { to: Math.max(second, p.from + least) })
  }

  // slip lets a part begin elsewhere, as long as it is.
  function slip(i: number, from: number) {
    const p = parts.value[i]
    const long = p.to - p.from
    const at = Math.max(0, Math.min(from, (of.tune.value?.seconds ?? long) - long))
    change(i, { from: at, to: at + long })
  }

  // bars moves an end, or all of a part, by so many bars.
  function bars(i: number, what: 'from' | 'to' | 'both', by: number) {
    const list = of.borders.value
    const p = parts.value[i]
    const beside = (second: number) => {
      const near = list.reduce((best, b, k) => (Math.abs(b - second) < Math.abs(list[best] - second) ? k : best), 0)
      return list[Math.max(0, Math.min(near + by, list.length - 1))]
    }
    if (what === 'both') slip(i, beside(p.from))
    else edge(i, what, beside(p[what]))
  }

  function repeat(i: number) {
    propose([...parts.value.slice(0, i + 1), { ...parts.value[i] }, ...parts.value.slice(i + 1)])
    chosen.value = i + 1
  }

  function remove(i: number) {
    if (parts.value.length > 1) propose(parts.value.filter((_, k) => k !== i))
  }

  function move(i: number, by: number) {
    const to = i + by
    if (to < 0 || to >= parts.value.length) return
    const next = parts.value.filter((_, k) => k !== i)
    chosen.value = to
    propose([...next.slice(0, to), parts.value[i], ...next.slice(to)])
  }

  const add = (p: Part) => {
    propose([...parts.value, p])
    chosen.value = parts.value.length - 1
  }

  const choose = (i: number) => (chosen.value = i)
  const leave = () => (draft.value = null)

  async function take() {
    if (command.value && (await editor.run(command.value))) leave()
  }

  // What it would do is told before it is taken.
  let asked = 0
  watch([command, () => editor.version], async ([wish]) => {
    const mine = ++asked
    if (!wish) {
      outcome.value = null
      refused.value = ''
      return
    }
    try {
      const told = await editor.ask('retiming', { command: wish, keep: false })
      if (mine !== asked) return
      outcome.value = told
      refused.value = ''
    } catch (e) {
      if (mine !== asked) return
      outcome.value = null
      refused.value = notices.words(e)
    }
  })

  watch(of.tune, (t, before) => t?.hash !== before?.hash && leave())

  return {
    draft,
    parts,
    tail: computed(() => now.value.tail),
    seconds,
    chosen,
    stay,
    fits,
    outcome,
    refused,
    propose,
    choose,
    change,
    edge,
    slip,
    bars,
    repeat,
    remove,
    move,
    add,
    leave,
    take
  }
}

export type Cut = ReturnType<typeof useCut>
