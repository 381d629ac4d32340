import { useUploads } from '../shelf/useUploads'
import { useBenched } from '../stores/bench'
import { useNotices } from '../stores/notices'
import type { Prop } from '../types'
import { listed } from '../words'

// usePhotos brings files to the Bench. Several are cut by the first guess at once, since
// that is what they are brought for.
export function usePhotos() {
  const uploads = useUploads()
  const bench = useBenched()
  const notices = useNotices()

  async function bring(files: File[]) {
    const brought = await uploads.bring(files)
    const fits = (p: Prop) => p.kind === 'cutout' || (p.kind === 'footage' && !p.footage?.alpha)
    const others = brought.filter((p) => !fits(p))
    if (others.length)
      notices.say(`Nothing to be cut out of, so only on the shelf: ${listed(others.map((p) => p.name))}`)
    const laid = await bench.lay(brought.filter(fits))
    if (laid.length > 1) void bench.makeAll(laid.filter((c) => !c.result && !c.moves))
    return laid
  }

  return { bring }
}
