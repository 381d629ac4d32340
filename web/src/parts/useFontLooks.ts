import { reactive } from 'vue'
import { addressOf } from '../engine/fonts'
import { fontFiles } from '../gen/catalogue'

// Fonts that the page itself writes with, by their IDs: none until it has come.
const families = reactive(new Map<string, string>())
const asked = new Set<string>()

// useFontLooks lets names of fonts be written in the fonts themselves. Each is fetched when it
// is first shown.
export function useFontLooks() {
  function show(id: string, hash?: string) {
    const url = addressOf(hash ? `own:${hash}` : (fontFiles.find((f) => f.name === id)?.file ?? ''))
    if (!url || asked.has(id)) return
    asked.add(id)
    const family = `billow-${id}`
    const face = new FontFace(family, `url("${url}")`)
    face
      .load()
      .then(() => {
        document.fonts.add(face)
        families.set(id, family)
      })
      .catch(() => asked.delete(id))
  }
  const look = (id: string) => (families.has(id) ? { fontFamily: `"${families.get(id)}"` } : {})
  return { show, look }
}
