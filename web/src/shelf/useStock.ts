import { useDebounceFn } from '@vueuse/core'
import { reactive, ref, watch } from 'vue'
import { api, takeThing, type StockThing } from '../api'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'
import { Problem, type Prop } from '../types'
import { useSounds } from '../settings/useSounds'
import { usePropIntake } from './usePropIntake'

// What was looked for last stays while the panel is another.
const wanted = reactive({ words: '', kind: '', colour: '' })

// useStock is the stock shelf: what is found there, and what is done with it.
export function useStock() {
  const editor = useEditor()
  const notices = useNotices()
  const intake = usePropIntake()
  const sounds = useSounds()

  const things = ref<StockThing[]>([])
  const total = ref(0)
  const pages = ref(0)
  const page = ref(0)
  const busy = ref(true)
  const problem = ref('')
  let round = 0

  // find asks for a page; what was asked before and comes later is of no account.
  async function find(at = 0) {
    const mine = ++round
    busy.value = true
    problem.value = ''
    try {
      const found = await api.stock({ ...wanted, page: at })
      if (mine !== round) return
      things.value = at ? [...things.value, ...found.things] : found.things
      total.value = found.total
      pages.value = found.pages
      page.value = at
    } catch (e) {
      if (mine === round) problem.value = e instanceof Problem ? e.message : String(e)
    } finally {
      if (mine === round) busy.value = false
    }
  }
  const soon = useDebounceFn(() => find(), 250)
  watch(() => wanted.words, soon)
  watch([() => wanted.kind, () => wanted.colour], () => find())
  find()

  // taking is how far things are that are on their way, by ID.
  const taking = ref<Record<string, number>>({})
  async function take(t: StockThing) {
    taking.value = { ...taking.value, [t.id]: 0 }
    try {
      const { prop } = await takeThing(t, (share) => (taking.value = { ...taking.value, [t.id]: share }))
      await use(t, prop)
    } catch (e) {
      notices.fail(e)
      if (e instanceof Problem && e.code === 'price') await find()
    } finally {
      taking.value = Object.fromEntries(Object.entries(taking.value).filter(([id]) => id !== t.id))
    }
  }

  // use puts a thing where such things go: what covers the frame behind the rest or over it, a sound at
  // the playhead, a garnish in the middle.
  async function use(t: StockThing, prop: Prop) {
    if (t.kind === 'sound') return sound(prop)
    const { layer, blend } = t.use
    await intake.use(prop, undefined, layer)
    if (blend && editor.layer?.cutout) await editor.run({ type: 'setLayer', layer: editor.selected, set: { blend } })
    if (t.kind !== 'tune') notices.say(`${t.name} is in the clip. Its credit: ${prop.credit}`)
  }

  async function sound(prop: Prop) {
    if (await sounds.lay(prop)) notices.say(`${prop.name} sounds at the playhead. Its credit: ${prop.credit}`)
  }

  return { wanted, things, total, pages, page, busy, problem, find, taking, take }
}
