import { computed, ref } from 'vue'
import { api, type Shelved } from '../api'
import { useBenched } from '../stores/bench'
import { useBrands } from '../stores/brands'
import { useNotices } from '../stores/notices'

// useShelf is what has been brought in, as far as its names hold what is looked for.
export function useShelf() {
  const notices = useNotices()
  const all = ref<Shelved[]>([])
  const search = ref('')
  const brands = useBrands()
  brands.load()

  async function load() {
    try {
      all.value = await api.props()
      for (const s of all.value) if (s.opaque) useBenched().backed.add(s.prop.hash)
    } catch (e) {
      notices.fail(e)
    }
  }

  const found = computed(() => {
    const wanted = search.value.trim().toLowerCase()
    const own = (s: Shelved) => (brands.logos.has(s.prop.hash) ? 0 : 1)
    return all.value.filter((s) => s.prop.name.toLowerCase().includes(wanted)).sort((a, b) => own(a) - own(b)) // logos of brands first
  })
  const of = (kind: string) => computed(() => found.value.filter((s) => s.prop.kind === kind))
  const unused = computed(() => all.value.filter((s) => !s.clips.length))

  // remove takes props that no clip uses from the shelf, with a chance to take that
  // back.
  async function remove(items: Shelved[]) {
    const each = (what: (hash: string) => Promise<void>) => Promise.all(items.map((s) => what(s.prop.hash)))
    try {
      await each(api.removeProp)
      const what = items.length === 1 ? `${items[0].prop.name} is` : `${items.length} props are`
      const run = () => each(api.returnProp).then(load, notices.fail)
      notices.say(`${what} no longer on the shelf`, 'done', { label: 'Take it back', run })
    } catch (e) {
      notices.fail(e)
    }
    await load()
  }

  return {
    all,
    search,
    found,
    pictures: of('cutout'),
    footage: of('footage'),
    tunes: of('tune'),
    fonts: of('font'),
    tables: of('table'),
    unused,
    load,
    remove
  }
}
