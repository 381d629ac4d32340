import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { api, type Brand, type Branded } from '../api'
import { fonts } from '../words'
import { useNotices } from './notices'
import { useOwnFonts } from './ownFonts'

// The brands that are kept for all clips: their colours, fonts and logos are offered
// wherever one of these is chosen.
export const useBrands = defineStore('brands', () => {
  const list = ref<Branded[]>([])
  let asked: Promise<void> | null = null

  // load asks once; a page without a server goes without brands.
  const load = () => (asked ??= again().catch(() => void (asked = null)))
  // What was changed since it was asked is newer than the answer; the last change asks again.
  let last = 0
  async function again() {
    const before = last
    const now = await api.brands()
    if (before === last) list.value = now
  }

  // save shows a change at once, and sends one after the other; what the colours are for is
  // known when the last has arrived.
  let sending: Promise<void> = Promise.resolve()
  function save(b: Brand): Promise<void> {
    const mine = ++last
    const at = list.value.findIndex((o) => o.id === b.id)
    list.value = at < 0 ? [...list.value, b] : list.value.map((o, i) => (i === at ? { ...o, ...b } : o))
    const sent = sending.catch(() => undefined).then(() => api.putBrand(b))
    sending = sent
    return sent.finally(() => (mine === last ? again() : undefined))
  }

  async function remove(b: Brand) {
    await api.removeBrand(b.id)
    await again()
    useNotices().say(`The brand ${b.name} is deleted`, 'done', {
      label: 'Take it back',
      run: () => save(b).catch(useNotices().fail)
    })
  }

  const colours = computed(() => list.value.flatMap((b) => b.colours.map((colour) => ({ colour, of: b.name }))))
  // Those for emphasis: what stands out in each brand first.
  const accents = computed(() =>
    list.value.flatMap((b) => (b.accents ?? b.colours).map((colour) => ({ colour, of: b.name })))
  )
  const palettes = computed(() => list.value.flatMap((b) => (b.palette ? [b.palette] : [])))
  const logos = computed(() => new Map(list.value.flatMap((b) => b.logos.map((hash) => [hash, b.name] as const))))
  // All fonts, those of brands first.
  const ordered = computed(() => {
    const own = [...new Set(list.value.flatMap((b) => b.fonts as string[]))]
    const of = (id: string) => list.value.find((b) => (b.fonts as string[]).includes(id))?.name
    const every: { id: string; name: string; hash?: string }[] = [
      ...useOwnFonts()
        .all()
        .map((p) => ({ id: p.id, name: p.name, hash: p.hash })),
      ...fonts
    ]
    return [
      ...every.filter((f) => own.includes(f.id)).map((f) => ({ ...f, name: `${f.name} (${of(f.id)})` })),
      ...every.filter((f) => !own.includes(f.id))
    ]
  })

  return { list, load, again, save, remove, colours, accents, palettes, logos, fonts: ordered }
})
