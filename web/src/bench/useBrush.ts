import { computed, shallowRef, type Ref } from 'vue'
import { drag } from '../parts/useDrag'
import type { Order, Stroke } from '../types'
import { encloses, inHand, staying } from './tools'
import type { Lens } from './useLens'
import type { OrderSteps } from './useOrder'
import type { Pen } from './usePen'

type Box = NonNullable<Order['box']>

// useBrush is what a pointer draws on the Bench, in either pane.
// Frame is the picture of footage that is painted on.
export function useBrush(
  lens: Lens,
  steps: OrderSteps,
  pen: Pen,
  frame: Ref<number>,
  takeOut: (around: [number, number][]) => void
) {
  const drawn = shallowRef<Stroke | null>(null) // what is being painted
  const boxed = shallowRef<Box | null>(null) // the box that is being drawn
  const radius = computed(() => inHand.width / 2 / lens.scale.value)

  // press begins with what is in hand. Space or the middle button move the photo; Shift
  // paints the other way round.
  function press(e: PointerEvent, pane: HTMLElement, moves: boolean) {
    if (e.button > 1) return
    if (moves || e.button === 1 || inHand.tool === 'hand') return grab(e)
    const bounds = pane.getBoundingClientRect()
    const place = (p: PointerEvent) => lens.place(p.clientX - bounds.left, p.clientY - bounds.top)
    if (inHand.tool === 'box') drawBox(e, place)
    else if (inHand.tool === 'path') pen.press(e, place)
    else if (inHand.tool === 'heal') heal(e, place)
    else paint(e, place)
  }

  function grab(e: PointerEvent) {
    const from = lens.middle.value
    drag(
      e,
      (_, dx, dy) => lens.move(from, dx, dy),
      () => undefined
    )
  }

  function paint(e: PointerEvent, place: (p: PointerEvent) => [number, number]) {
    const around = encloses()
    const points: [number, number][] = [place(e)]
    const stroke: Stroke = {
      stays: staying(e.shiftKey),
      radius: around ? 0 : radius.value,
      ...(frame.value ? { frame: frame.value } : {}),
      ...(around ? { inside: true } : inHand.seeks ? { seeks: true } : {}),
      points
    }
    drawn.value = stroke
    const apart = 1.5 / lens.scale.value
    drag(
      e,
      (p) => {
        for (const each of p.getCoalescedEvents?.() ?? [p]) {
          const [x, y] = place(each)
          const [lx, ly] = points[points.length - 1]
          if (Math.hypot(x - lx, y - ly) >= apart) points.push([x, y])
        }
        drawn.value = { ...stroke, points: [...points] }
      },
      (moved, p) => {
        drawn.value = null
        const taken = moved || p.type === 'pointerup' // a press without a drag paints a dot
        if (!taken || (around && points.length < 3)) return
        if (inHand.tool === 'part') takeOut(points.map(rounded))
        else steps.change({ strokes: [...steps.strokes.value, { ...stroke, points: points.map(rounded) }] })
      }
    )
  }

  // heal dabs along the way, each dab beside the last.
  function heal(e: PointerEvent, place: (p: PointerEvent) => [number, number]) {
    const r = Math.max(1, Math.min(300, radius.value))
    const dabs: [number, number][] = [place(e)]
    const seen = () => (drawn.value = { stays: true, radius: r, points: [...dabs] })
    seen()
    drag(
      e,
      (p) => {
        const [x, y] = place(p)
        const [lx, ly] = dabs[dabs.length - 1]
        if (Math.hypot(x - lx, y - ly) >= r) dabs.push([x, y])
        seen()
      },
      (moved, p) => {
        drawn.value = null
        if (!moved && p.type !== 'pointerup') return
        const heals = dabs.map(rounded).map(([x, y]) => ({ x, y, radius: Math.round(r * 10) / 10 }))
        steps.change({ heals: [...(steps.order.value.heals ?? []), ...heals] })
      }
    )
  }

  function drawBox(e: PointerEvent, place: (p: PointerEvent) => [number, number]) {
    const [x0, y0] = place(e)
    drag(
      e,
      (p) => {
        const [x, y] = place(p)
        boxed.value = [Math.min(x, x0), Math.min(y, y0), Math.abs(x - x0), Math.abs(y - y0)]
      },
      (moved) => {
        const b = boxed.value
        boxed.value = null
        if (moved && b && b[2] >= 1 && b[3] >= 1) steps.change({ box: b.map(Math.round) as Box })
      }
    )
  }

  return { drawn, boxed, press, radius }
}

const rounded = ([x, y]: [number, number]): [number, number] => [Math.round(x * 10) / 10, Math.round(y * 10) / 10]

export type Brush = ReturnType<typeof useBrush>
