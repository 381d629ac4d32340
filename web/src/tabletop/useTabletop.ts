import { computed, ref, type Ref } from 'vue'
import { useDesk } from '../stores/desk'
import { useEditor } from '../stores/editor'
import type { Command, Gap, Guide, Place } from '../types'
import { handle } from './handle'
import { within } from './within'
import { drag } from '../parts/useDrag'

// A drag: what it begins with, and the commands that it makes. A null leaves
// the picture as it was.
export type Make = (e: PointerEvent, dx: number, dy: number) => Command[] | null | Promise<Command[] | null>

const guides = ref<Guide[]>([])
const gaps = ref<Gap[]>([])
// Something is being dragged in the picture.
export const dragging = ref(false)

// useTabletop turns drags over the picture into commands. w and h are the
// picture's pixels; a unit is a thousandth of its shorter side.
export function useTabletop(svg: Ref<SVGSVGElement | null>, w: () => number, h: () => number) {
  const editor = useEditor()
  const desk = useDesk()
  const unit = computed(() => Math.min(w(), h()) / 1000)

  const px = ([x, y]: [number, number]): [number, number] => [x * unit.value + w() / 2, y * unit.value + h() / 2]

  function local(e: MouseEvent) {
    const box = (svg.value as SVGSVGElement).getBoundingClientRect()
    return { x: e.clientX - box.left, y: e.clientY - box.top }
  }

  function units(e: MouseEvent): [number, number] {
    const at = local(e)
    return [(at.x - w() / 2) / unit.value, (at.y - h() / 2) / unit.value]
  }

  // follow shows what a drag makes while the pointer moves and keeps it at the
  // end. What the drag does may be known a little after it has begun.
  function follow(e: PointerEvent, what: Make | Promise<Make | null>, click?: () => void) {
    let make: Make | null = null
    let last: Command[] | null = null
    let latest = 0
    let pending: Promise<unknown> = Promise.resolve(what).then((m) => (make = m))
    pending.catch(() => undefined)
    drag(
      e,
      (m, dx, dy) => {
        const mine = ++latest
        const before = pending.catch(() => undefined)
        pending = before.then(async () => {
          dragging.value = true
          if (!make || (mine < latest - 1 && m.type === 'pointermove')) return
          last = await make(m, dx, dy)
          if (last?.length) editor.show({ type: 'batch', commands: last })
        })
        pending.catch(() => undefined)
      },
      async (moved) => {
        await pending.catch(() => undefined)
        guides.value = []
        gaps.value = []
        dragging.value = false
        if (!moved) return click?.()
        if (last?.length) await editor.runAll(last)
        else editor.revert()
      }
    )
  }

  // moving drags layers together; they catch on guides and on other layers.
  function moving(layers: string[]): Make {
    const places = layers.map((l) => editor.placeOf(l)).filter((p): p is Place => !!p)
    return async (m, dx, dy) => {
      let x = dx / unit.value
      let y = dy / unit.value
      if (m.shiftKey && Math.abs(x) > Math.abs(y)) y = 0
      else if (m.shiftKey) x = 0
      const reach = desk.guides && !m.ctrlKey && !m.metaKey ? 6 / unit.value : 0
      const wish = { shape: editor.shape, frame: editor.frame, layers, dx: x, dy: y, reach }
      const caught = await editor.ask('snap', wish)
      const keep = (axis: string) => !m.shiftKey || (axis === 'x' ? x !== 0 : y !== 0)
      guides.value = caught.guides.filter((g) => keep(g.axis))
      gaps.value = caught.gaps
      if (keep('x')) x = caught.dx
      if (keep('y')) y = caught.dy
      return places.map((p) => {
        const [gx, gy] = within(p, x, y)
        return handle(p, { dx: gx, dy: gy })
      })
    }
  }

  return { unit, px, local, units, follow, moving, guides, gaps }
}
