import { useLocalStorage } from '@vueuse/core'
import { computed, ref, shallowRef, watch } from 'vue'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'
import type { Product, Quoted } from '../types'
import { rangeFields } from '../gen/catalogue'
import { cell, columnOf, reads, usual, withCell } from './columns'

const placeOf = (id: string) => rangeFields.findIndex((f) => f.id === id.split('@')[0])
const isKnown = (id: string) => rangeFields.some((f) => f.id === id)

// useRange is a clip's products as a sheet shows them, and what changes them.
export function useRange() {
  const editor = useEditor()
  const notices = useNotices()
  const products = computed(() => editor.clip?.products ?? [])
  const props = computed(() => editor.clip?.props ?? [])
  const finding = ref('')
  // Columns that are asked for though nothing is in them, and those that are put away, by clip.
  const kept = useLocalStorage<Record<string, { more: string[]; away: string[] }>>('billow-range-columns', {})
  const own = computed(() => kept.value[editor.id] ?? { more: [], away: [] })

  const found = computed(() => {
    const text = finding.value.trim().toLowerCase()
    if (!text) return products.value
    return products.value.filter((p) =>
      [p.name, p.line, p.price, ...Object.values(p.fields ?? {})].some((t) => t?.toLowerCase().includes(text))
    )
  })

  const ownFields = computed(() => [...new Set(products.value.flatMap((p) => Object.keys(p.fields ?? {})))].sort())
  const spoken = computed(() =>
    [
      ...new Set(
        products.value.flatMap((p) =>
          Object.entries(p.spoken ?? {}).flatMap(([l, texts]) => Object.keys(texts).map((f) => `${f}@${l}`))
        )
      )
    ].sort((a, b) => a.split('@')[1].localeCompare(b.split('@')[1]) || placeOf(a) - placeOf(b))
  )
  const used = (id: string) => products.value.some((p) => cell(p, id, props.value))
  const all = computed(() => [
    ...new Set([...rangeFields.map((f) => f.id as string), ...ownFields.value, ...own.value.more, ...spoken.value])
  ])
  const shown = computed(() =>
    all.value.filter(
      (id) => !own.value.away.includes(id) && (usual.includes(id) || own.value.more.includes(id) || used(id))
    )
  )
  // What the terms read as stands behind them, before what is the products' own.
  const columns = computed(() => {
    const known = shown.value.filter((id) => isKnown(id))
    return [...known.map(columnOf), reads, ...shown.value.filter((id) => !known.includes(id)).map(columnOf)]
  })

  function show(id: string, is: boolean) {
    const { more, away } = own.value
    kept.value = {
      ...kept.value,
      [editor.id]: is
        ? { more: [...new Set([...more, id])], away: away.filter((x) => x !== id) }
        : { more: more.filter((x) => x !== id), away: [...new Set([...away, id])] }
    }
  }

  // What is made of the products that are seen.
  const quoted = shallowRef(new Map<string, Quoted>())
  const asked = shallowRef<string[]>([])
  watch(
    [asked, () => editor.clip],
    async () => {
      const list = await editor.ask('quoted', asked.value).catch(() => [])
      quoted.value = new Map(list.map((q) => [q.id, q]))
    },
    { immediate: true }
  )
  // Those with mistakes, of all of them. What is known of a product holds until it is another.
  let known = new Map<Product, Quoted>()
  const mistaken = shallowRef<Quoted[]>([])
  watch(
    [products, () => editor.clip?.language],
    async ([list, language], [, before]) => {
      if (language !== before) known = new Map()
      const unknown = list.filter((p) => !known.has(p))
      const told = await editor
        .ask(
          'quoted',
          unknown.map((p) => p.id)
        )
        .catch(() => [])
      const byId = new Map(told.map((q) => [q.id, q]))
      if (list !== products.value) return // there is a newer one
      known = new Map(list.flatMap((p) => ((q) => (q ? [[p, q] as const] : []))(known.get(p) ?? byId.get(p.id))))
      mistaken.value = [...known.values()].filter((q) => q.mistakes.length)
    },
    { immediate: true }
  )

  function text(p: Product, column: string) {
    if (column !== reads.id) return cell(p, column, props.value)
    const q = quoted.value.get(p.id)
    return [q?.price, q?.percent && `−${q.percent}`, q?.base].filter(Boolean).join(' · ')
  }

  // set writes cells, all in one step; it tells whether they could be.
  async function set(changes: { product: Product; column: string; text: string }[]) {
    const next = new Map<string, Product>()
    for (const { product, column, text } of changes)
      next.set(product.id, withCell(next.get(product.id) ?? product, column, text))
    const list = [...next.values()]
    if (!list.length) return true
    return editor.run(
      list.length === 1 ? { type: 'setProduct', product: list[0] } : { type: 'setRange', products: list }
    )
  }

  async function add() {
    const taken = new Set([...products.value, ...props.value, ...(editor.clip?.layers ?? [])].map((x) => x.id))
    let n = products.value.length + 1
    while (taken.has(`product-${n}`)) n++
    const currency = products.value.at(-1)?.currency ?? 'EUR'
    const product: Product = { id: `product-${n}`, name: 'New product', price: '', oldPrice: '', currency }
    return editor.run({ type: 'setProduct', product })
  }

  async function remove(ids: string[]) {
    if (!ids.length || !(await editor.run({ type: 'setRange', remove: ids }))) return
    notices.say(
      ids.length === 1
        ? '1 product was taken out. Undo brings it back.'
        : `${ids.length} products were taken out. Undo brings them back.`
    )
  }

  return { products, props, found, finding, columns, all, shown, show, quoted, asked, mistaken, text, set, add, remove }
}

export type Range = ReturnType<typeof useRange>
