import { useDebounceFn } from '@vueuse/core'
import { computed, onBeforeUnmount, ref, shallowRef, watch } from 'vue'
import { api } from '../api'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'
import type { Product, Shape, Variant, VariantExport, Varied } from '../types'

// A row of the grid: a product in a language.
export interface Row {
  product: Product
  language: string
}

export const idOf = (v: Variant) => [v.product, v.shape, v.language].filter(Boolean).join('.')

// useVariants is the same clip for many products, shapes and languages.
export function useVariants() {
  const editor = useEditor()
  const notices = useNotices()
  const found = shallowRef(new Map<string, Varied>())
  const revision = ref(0) // of which what was found is
  const follows = ref(true) // something in the clip shows the product, whichever it is
  const looking = ref(false)
  const exports = shallowRef<VariantExport[]>([])

  const wanted = computed(() => editor.clip?.variants)
  const shapes = computed((): Shape[] => {
    const all = editor.clip?.shapes ?? []
    const some = wanted.value?.shapes ?? []
    return some.length ? some.flatMap((id) => all.find((s) => s.id === id) ?? []) : all
  })
  const languages = computed(() => (wanted.value?.languages?.length ? wanted.value.languages : ['']))
  const rows = computed((): Row[] => {
    const byId = new Map((editor.clip?.products ?? []).map((p) => [p.id, p]))
    return (wanted.value?.products ?? []).flatMap((id) => {
      const product = byId.get(id)
      return product ? languages.value.map((language) => ({ product, language })) : []
    })
  })
  const count = computed(() => rows.value.length * shapes.value.length)
  const all = computed((): Variant[] => rows.value.flatMap((r) => shapes.value.map((s) => variantOf(r, s.id))))
  // Those that must not be posted first.
  const stops = (v: Varied) => v.findings.some((f) => f.stops)
  const troubled = computed(() =>
    [...found.value.values()].filter((v) => v.findings.length).sort((a, b) => Number(stops(b)) - Number(stops(a)))
  )
  const stopped = computed(() => troubled.value.filter(stops))

  function variantOf(row: Row, shape: string): Variant {
    return row.language
      ? { product: row.product.id, shape, language: row.language }
      : { product: row.product.id, shape }
  }

  const poster = (v: Variant, side = 260) =>
    `/api/clips/${editor.id}/variants/poster.jpg?${new URLSearchParams({ product: v.product, shape: v.shape, language: v.language ?? '', side: String(side), r: String(revision.value) })}`

  // look asks what is to be said of each, once all that was done is with the server.
  let asked = 0
  async function look() {
    const turn = ++asked
    looking.value = true
    try {
      await editor.outbox?.delivered()
      const got = await api.variants(editor.id)
      if (turn !== asked) return
      revision.value = got.revision
      follows.value = got.follows
      found.value = new Map(got.variants.map((v) => [idOf(v), v]))
    } catch (e) {
      if (turn === asked) notices.fail(e)
    }
    if (turn === asked) looking.value = false
  }
  const soon = useDebounceFn(look, 400)
  watch(() => editor.clip, soon)
  look()

  const events = new EventSource(`/api/clips/${editor.id}/variants/exports/events`)
  events.onmessage = (e) => (exports.value = (JSON.parse(e.data) as VariantExport[] | null) ?? [])
  onBeforeUnmount(() => events.close())

  async function send(only: Variant[] = [], quick = false) {
    try {
      await editor.outbox?.delivered()
      const { count, left } = await api.exportVariants(editor.id, only, quick)
      notices.say(count === 1 ? '1 variant is being exported' : `${count} variants are being exported`)
      if (left.length)
        notices.say(
          `${left.length === 1 ? '1 variant is' : `${left.length} variants are`} left out: ${left[0].says}`,
          'problem'
        )
    } catch (e) {
      notices.fail(e)
    }
  }

  return {
    wanted,
    shapes,
    languages,
    rows,
    count,
    all,
    found,
    revision,
    follows,
    looking,
    troubled,
    stopped,
    exports,
    variantOf,
    poster,
    look,
    send
  }
}

export type Variants = ReturnType<typeof useVariants>
