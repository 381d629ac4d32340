import { useRouter } from 'vue-router'
import { useBenched } from '../stores/bench'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'
import type { Prop } from '../types'

// useToBench lays pictures on the Bench and goes there.
export function useToBench() {
  const bench = useBenched()
  const editor = useEditor()
  const notices = useNotices()
  const router = useRouter()

  // backed tells whether a picture came with its background.
  const backed = (p: Prop) => p.kind === 'cutout' && bench.backed.has(p.hash)
  const words = (n: number) => (n === 1 ? 'Take it off on the Bench' : `Take ${n} off their backgrounds`)

  // go opens one, which a layer shows that is to show the cut-out; of several all are cut.
  async function go(props: Prop[], layer = '') {
    try {
      const laid = await bench.lay(props)
      if (laid.length > 1) void bench.makeAll(laid.filter((c) => !c.result && !c.moves))
      const query = { cut: laid[0].id, ...(layer ? { layer } : {}) }
      await router.push({ path: `/clips/${editor.id}/bench`, query })
    } catch (e) {
      notices.fail(e)
    }
  }

  return { backed, words, go }
}
