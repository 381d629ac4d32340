import type { Told } from '../engine/engine'
import { useNotices } from './notices'

// engineNews says what engines have to tell, and shows what comes of it.
export function engineNews(redraw: () => void): Told {
  const notices = useNotices()
  const lost = new Set<string>()
  return {
    crashed(reason) {
      notices.say(`The engine stopped and was started again (${reason}). Nothing was lost.`, 'problem')
      redraw()
    },
    // Each engine fetches for itself; a person hears of it once.
    font(file, here) {
      if (here) {
        lost.delete(file)
        return redraw()
      }
      if (lost.has(file)) return
      lost.add(file)
      const family = file.split('_')[0].replace(/([a-z])([A-Z])/g, '$1 $2')
      notices.say(`The font ${family} cannot be fetched now; another stands in for it until it can`, 'problem')
    }
  }
}
