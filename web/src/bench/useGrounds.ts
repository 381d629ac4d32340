import { onMounted, ref } from 'vue'
import { useEditor } from '../stores/editor'

export type GroundId = 'light' | 'dark' | 'clip' | 'loud'

// useGrounds are what a cut is looked at on; the clip's own backdrop among them.
export function useGrounds() {
  const editor = useEditor()
  const ground = ref<GroundId>('light')
  const backdrop = ref('') // a picture of it

  onMounted(async () => {
    const shape = editor.shapeNow
    if (!shape) return
    const k = 720 / Math.max(shape.w, shape.h)
    const [w, h] = [Math.round(shape.w * k), Math.round(shape.h * k)]
    const painter = editor.drawing().engines[0]
    const pixels = await painter.call('behindAll', { shape: shape.id, w, h, frame: editor.frame }).catch(() => null) // without it, it is grey
    if (!pixels) return
    const canvas = document.createElement('canvas')
    canvas.width = w
    canvas.height = h
    canvas.getContext('2d')?.putImageData(new ImageData(new Uint8ClampedArray(pixels), w, h), 0, 0)
    backdrop.value = canvas.toDataURL('image/jpeg', 0.9)
  })

  const list: { id: GroundId; name: string }[] = [
    { id: 'light', name: 'Light' },
    { id: 'dark', name: 'Dark' },
    { id: 'clip', name: 'The clip’s backdrop' },
    { id: 'loud', name: 'A loud colour' }
  ]
  const style = (id: GroundId) =>
    ({
      light: { background: '#fcfaf5' },
      dark: { background: '#14191c' },
      clip: { background: backdrop.value ? `center / cover url(${backdrop.value})` : '#828282' },
      loud: { background: '#ff2bd6' }
    })[id]

  return { ground, list, style }
}
