import { computed, shallowRef } from 'vue'
import type { Order } from '../types'

// useOrder is what is wanted of a photo, with the steps that led to it.
export function useOrder(changed: (order: Order) => void) {
  const order = shallowRef<Order>({ edge: {} })
  const past = shallowRef<Order[]>([])
  const future = shallowRef<Order[]>([])
  let settling = false // what is set now goes on with the last step, as while a slider is dragged

  function open(o: Order) {
    order.value = o
    past.value = []
    future.value = []
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
