import { computed, shallowRef } from 'vue'
import { drag } from '../parts/useDrag'
import type { Lens } from './useLens'
import type { OrderSteps } from './useOrder'
import { near, pulled, withNode, written, type Node, type Path, type Paths, type Place } from './paths'

const grip = 9 // pixels of the screen around a node, or a handle, in which it is meant

// A node of a path: of that which is not closed yet (-1), or of a closed one.
interface Chosen {
  path: number
  node: number
}

// usePen draws closed paths along hard edges: a press sets a corner, a drag pulls a curve, the
// first node closes the path. Nodes that are there are dragged to where they belong, and so are
// the handles of the one that was touched last. With Alt a handle moves alone, a node's curve is
// pulled anew, and a click makes it a corner.
export function usePen(lens: Lens, steps: OrderSteps) {
  const begun = shallowRef<Path>([]) // the path that is not closed yet
  const moved = shallowRef<Paths | null>(null) // the closed ones while something of them is dragged
  const paths = computed(() => moved.value ?? steps.order.value.pen ?? [])
  const chosen = shallowRef<Chosen | null>(null)
  const touched = computed<Node | undefined>(() =>
    chosen.value ? pathOf(chosen.value.path)?.[chosen.value.node] : undefined
  )

  // The handles of the node that was touched last: where they end.
  const handles = computed(() => {
    const n = touched.value
    if (!n) return []
    return [2, 4].filter((h) => n[h] || n[h + 1]).map((h) => ({ h, x: n[0] + n[h], y: n[1] + n[h + 1] }))
  })

  const pathOf = (path: number) => (path < 0 ? begun.value : paths.value[path])
  const close = (x: number, y: number, at: Place) => near(x, y, at, grip / lens.scale.value)

  function press(e: PointerEvent, place: (p: PointerEvent) => Place) {
    const at = place(e)
    const handle = handles.value.find((h) => close(h.x, h.y, at))
    if (handle && chosen.value) return pull(e, place, chosen.value, handle.h)
    if (begun.value.length > 1 && close(begun.value[0][0], begun.value[0][1], at)) return finish()
    const own = begun.value.findIndex((n) => close(n[0], n[1], at))
    if (own >= 0) return carry(e, place, { path: -1, node: own })
    for (const [path, nodes] of begun.value.length ? [] : paths.value.entries()) {
      const node = nodes.findIndex((n) => close(n[0], n[1], at))
      if (node >= 0) return carry(e, place, { path, node })
    }
    add(e, place, at)
  }

  // add sets a node; while it is dragged, the curve through it is pulled.
  function add(e: PointerEvent, place: (p: PointerEvent) => Place, at: Place) {
    begun.value = [...begun.value, pulled([at[0], at[1], 0, 0, 0, 0], 2, at, false)]
    const of = { path: -1, node: begun.value.length - 1 }
    chosen.value = of
    drag(
      e,
      (p) => show(of, (n) => pulled(n, 2, place(p), p.altKey)),
      () => undefined
    )
  }

  // carry moves a node; with Alt its curve is pulled anew, and a click makes it a corner.
  function carry(e: PointerEvent, place: (p: PointerEvent) => Place, of: Chosen) {
    chosen.value = of
    const was = pathOf(of.path)[of.node]
    const anew = e.altKey
    drag(
      e,
      (p) => show(of, () => (anew ? pulled(was, 2, place(p), false) : withNode(was, place(p)))),
      (did) => {
        if (anew && !did) show(of, () => [was[0], was[1], 0, 0, 0, 0])
        settle(of, did || anew)
      }
    )
  }

  // pull moves a handle; the other one goes along if it lay opposite, unless Alt is held.
  function pull(e: PointerEvent, place: (p: PointerEvent) => Place, of: Chosen, handle: number) {
    const was = pathOf(of.path)[of.node]
    const uneven = Math.hypot(was[2] + was[4], was[3] + was[5]) > 0.3
    drag(
      e,
      (p) => show(of, () => pulled(was, handle, place(p), uneven || p.altKey)),
      (did) => settle(of, did)
    )
  }

  // show shows a node as it becomes.
  function show(of: Chosen, becomes: (n: Node) => Node) {
    const put = (path: Path) => path.map((n, i) => (i === of.node ? becomes(n) : n))
    if (of.path < 0) begun.value = put(begun.value)
    else moved.value = (steps.order.value.pen ?? []).map((path, i) => (i === of.path ? put(path) : path))
  }

  // settle keeps what was shown of a closed path.
  function settle(of: Chosen, did: boolean) {
    const next = moved.value
    moved.value = null
    if (did && next && of.path >= 0) steps.change({ pen: next })
  }

  function finish() {
    if (begun.value.length < 2) return
    const path = begun.value
    drop()
    steps.change({ pen: [...(steps.order.value.pen ?? []), path] })
  }

  // back takes the last node of a path that is not closed.
  function back() {
    begun.value = begun.value.slice(0, -1)
    chosen.value = null
  }

  function drop() {
    begun.value = []
    chosen.value = null
  }

  // drawn are all of them as SVG writes them.
  const drawn = computed(() => [...paths.value.map((p) => written(p, true)), written(begun.value, false)])

  return { begun, paths, drawn, touched, handles, press, finish, back, drop }
}

export type Pen = ReturnType<typeof usePen>
