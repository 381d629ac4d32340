import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'
import type { Command, Words } from '../types'

// alignWords aligns the lines of words, which stand by that edge from then on and stay
// where they are.
export async function alignWords(layer: string, align: Words['align']) {
  const editor = useEditor()
  try {
    const rests = Object.entries(await editor.ask('aligned', { layer, align }))
    await editor.runAll([
      { type: 'setLayer', layer, set: { words: { align, byEdge: true } } },
      ...rests.map(([shape, { x, y }]): Command => ({ type: 'setRest', layer, shape, set: { x, y } }))
    ])
  } catch (e) {
    useNotices().fail(e)
  }
}
