import { ref, type Ref } from 'vue'
import { useEditor } from '../stores/editor'
import type { KeyRef } from '../types'
import { drag } from '../parts/useDrag'

// useMarquee selects the beads within a rectangle that is drawn over them. With
// Shift they are added to those that are selected.
export function useMarquee(scroller: Ref<HTMLElement | null>) {
  const editor = useEditor()
  const box = ref<Record<string, string> | null>(null)

  function start(e: PointerEvent, clicked?: () => void) {
    if (e.button !== 0 || !(e.currentTarget instanceof Element)) return
    e.stopPropagation()
    const before = e.shiftKey ? editor.keys : []
    const inner = (scroller.value as HTMLElement).firstElementChild as HTMLElement
    drag(
      e,
      (m) => {
        const at = inner.getBoundingClientRect()
        const [x0, x1] = [e.clientX, m.clientX].sort((a, b) => a - b)
        const [y0, y1] = [e.clientY, m.clientY].sort((a, b) => a - b)
        box.value = {
          left: `${x0 - at.left}px`,
          top: `${y0 - at.top}px`,
          width: `${x1 - x0}px`,
          height: `${y1 - y0}px`
        }
        const found: KeyRef[] = []
        for (const b of inner.querySelectorAll<SVGElement>('[data-bead]')) {
          const r = b.getBoundingClientRect()
          const [x, y] = [r.x + r.width / 2, r.y + r.height / 2]
          if (x < x0 || x > x1 || y < y0 || y > y1) continue
          const [layer, property, frame] = (b.dataset.bead as string).split(' ')
          found.push({ layer, property, frame: Number(frame) })
        }
        editor.keys = [...before, ...found]
      },
      (moved) => {
        box.value = null
        if (moved) return
        if (!e.shiftKey) editor.keys = []
        clicked?.()
      }
    )
  }

  return { box, start }
}
