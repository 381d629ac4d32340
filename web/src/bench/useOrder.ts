import { computed, shallowRef } from 'vue'
import type { Order } from '../types'

interface History {
  order: Order
  past: Order[]
  future: Order[]
}

// The steps on each photo, by its cut, for as long as the page is open.
const histories = new Map<string, History>()

// text is an order in words that do not depend on how it was written down, what is nothing left
// out; parts that are taken out have orders of their own.
const text = (order: Order) =>
  JSON.stringify({ ...order, out: null }, (_, v: unknown) =>
    v && typeof v === 'object' && !Array.isArray(v)
      ? Object.fromEntries(
          Object.entries(v)
            .filter(([, of]) => (Array.isArray(of) ? of.length : of))
            .sort()
        )
      : v
  )

// useOrder is what is wanted of a photo, with the steps that led to it.
export function useOrder(changed: (order: Order) => void) {
  const order = shallowRef<Order>({ edge: {} })
  const past = shallowRef<Order[]>([])
  const future = shallowRef<Order[]>([])
  const start = shallowRef<Order>(order.value) // as it was found, or as the last cut was made of it
  let cut = ''
  let settling = false // what is set now goes on with the last step, as while a slider is dragged

  // leave keeps the steps on a photo for when it is opened again.
  function leave() {
    if (cut) histories.set(cut, { order: order.value, past: past.value, future: future.value })
    cut = ''
  }

  // open goes on with the order of another cut, and with the steps on it if nobody else has
  // changed it meanwhile.
  function open(id: string, o: Order) {
    leave()
    cut = id
    const known = histories.get(id)
    const same = known && text(known.order) === text(o)
    const now = (of: Order) => ({ ...of, out: o.out })
    past.value = same ? known.past.map(now) : []
    future.value = same ? known.future.map(now) : []
    order.value = start.value = o
    settling = false
  }

  function set(next: Order, goesOn = false) {
    if (!(goesOn && settling)) past.value = [...past.value.slice(-199), order.value]
    settling = goesOn
    future.value = []
    order.value = next
    changed(next)
  }

  function step(from: typeof past, to: typeof past) {
    const next = from.value.at(-1)
    if (!next) return
    settling = false
    from.value = from.value.slice(0, -1)
    to.value = [...to.value, order.value]
    order.value = next
    changed(next)
  }

  return {
    order,
    past,
    future,
    open,
    leave,
    fresh: computed(() => order.value !== start.value),
    made: (of: Order) => (start.value = of),
    set,
    change: (part: Partial<Order>) => set({ ...order.value, ...part }),
    edge: (part: Order['edge']) => set({ ...order.value, edge: { ...order.value.edge, ...part } }, true),
    turn: (turn: number) => set({ ...order.value, turn }, true),
    settled: () => (settling = false),
    undo: () => step(past, future),
    redo: () => step(future, past),
    strokes: computed(() => order.value.strokes ?? [])
  }
}

export type OrderSteps = ReturnType<typeof useOrder>
