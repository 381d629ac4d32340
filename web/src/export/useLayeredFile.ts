import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'

// useLayeredFile gives what is seen now as a file of layers, which programs for pictures read:
// all of the clip, or a group or a scene of it.
export function useLayeredFile() {
  const editor = useEditor()
  const notices = useNotices()

  async function download(layer = '') {
    const shape = editor.shape
    try {
      const painter = editor.drawing().engines[0]
      const file = await painter.call('layeredPicture', { shape, layer, frame: editor.frame })
      const name = (layer && editor.layers.get(layer)?.name) || editor.clip?.name || 'Picture'
      const link = document.createElement('a')
      link.href = URL.createObjectURL(new Blob([new Uint8Array(file)], { type: 'image/openraster' }))
      link.download = `${name}.ora`
      link.click()
      setTimeout(() => URL.revokeObjectURL(link.href), 60_000)
    } catch (e) {
      notices.fail(e)
    }
  }

  return { download }
}
