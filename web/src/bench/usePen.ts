import { computed, shallowRef } from 'vue'
import { drag } from '../parts/useDrag'
import type { Order } from '../types'
import type { Lens } from './useLens'
import type { OrderSteps } from './useOrder'

type Paths = NonNullable<Order['pen']>
type Path = Paths[number]
type Node = Path[number]

const grip = 9 // pixels of the screen around a node in which it is meant

// usePen draws closed paths along hard edges: a press sets a corner, a drag pulls a curve, the
// first node closes the path. Nodes that are there are dragged to where they belong.
export function usePen(lens: Lens, steps: OrderSteps) {
  const begun = shallowRef<Path>([]) // the path that is not closed yet
  const moved = shallowRef<Paths | null>(null) // the closed ones while one of their nodes is dragged
  const paths = computed(() => moved.value ?? steps.order.value.pen ?? [])

  const close = (a: Node, [x, y]: [number, number]) => Math.hypot(a[0] - x, a[1] - y) * lens.scale.value <= grip

  function press(e: PointerEvent, place: (p: PointerEvent) => [number, number]) {
    const at = place(e)
    if (begun.value.length > 1 && close(begun.value[0], at)) return finish()
    const own = begun.value.findIndex((n) => close(n, at))
    if (own >= 0) return carry(e, place, own)
    for (const [p, path] of paths.value.entries()) {
      const n = begun.value.length ? -1 : path.findIndex((node) => close(node, at))
      if (n >= 0) return carryClosed(e, place, p, n)
    }
    add(e, place, at)
  }

  // add sets a node; while it is dragged, the curve through it is pulled.
  function add(e: PointerEvent, place: (p: PointerEvent) => [number, number], at: [number, number]) {
    const before = begun.value
    const [x, y] = at.map(tenth)
    begun.value = [...before, [x, y, 0, 0]]
    drag(
      e,
      (p) => {
        const [px, py] = place(p)
        begun.value = [...before, [x, y, tenth(px - x), tenth(py - y)]]
      },
      () => undefined
    )
  }

  function carry(e: PointerEvent, place: (p: PointerEvent) => [number, number], n: number) {
    drag(
      e,
      (p) => (begun.value = put(begun.value, n, place(p))),
      () => undefined
    )
  }

  function carryClosed(e: PointerEvent, place: (p: PointerEvent) => [number, number], path: number, n: number) {
    const before = steps.order.value.pen ?? []
    drag(
      e,
      (p) => (moved.value = before.map((one, i) => (i === path ? put(one, n, place(p)) : one))),
      (did) => {
        const next = moved.value
        moved.value = null
        if (did && next) steps.change({ pen: next })
      }
    )
  }

  function finish() {
    if (begun.value.length < 2) return
    const path = begun.value
    begun.value = []
    steps.change({ pen: [...(steps.order.value.pen ?? []), path] })
  }

  // back takes the last node of a path that is not closed.
  const back = () => (begun.value = begun.value.slice(0, -1))
  const drop = () => (begun.value = [])

  // drawn are all of them as SVG writes them.
  const drawn = computed(() => [...paths.value.map((p) => written(p, true)), written(begun.value, false)])

  return { begun, paths, drawn, press, finish, back, drop }
}

const tenth = (v: number) => Math.round(v * 10) / 10
const put = (path: Path, n: number, [x, y]: [number, number]): Path =>
  path.map((node, i) => (i === n ? [tenth(x), tenth(y), node[2], node[3]] : node))

// written is a path as SVG writes it.
function written(path: Path, closed: boolean) {
  if (!path.length) return ''
  let d = `M${path[0][0]} ${path[0][1]}`
  for (let i = 1; i < path.length + (closed ? 1 : 0); i++) {
    const [a, b] = [path[i - 1], path[i % path.length]]
    d += `C${a[0] + a[2]} ${a[1] + a[3]} ${b[0] - b[2]} ${b[1] - b[3]} ${b[0]} ${b[1]}`
  }
  return closed ? `${d}Z` : d
}

export type Pen = ReturnType<typeof usePen>
