import { computed, ref, watch, type Ref } from 'vue'

// useWindow is which seconds of a tune are seen, and where they lie in so many pixels.
export function useWindow(seconds: Ref<number>, width: Ref<number>) {
  const from = ref(0)
  const span = ref(0) // 0 is all of it
  const shortest = 2

  const long = computed(() => (span.value > 0 ? Math.min(span.value, seconds.value) : seconds.value) || 1)
  const scale = computed(() => width.value / long.value) // pixels of a second
  const x = (second: number) => (second - from.value) * scale.value
  const at = (px: number) => from.value + px / scale.value

  function go(to: number) {
    from.value = Math.max(0, Math.min(to, seconds.value - long.value))
  }

  // zoom keeps the second under a pixel where it is.
  function zoom(factor: number, px: number) {
    const held = at(px)
    span.value = Math.max(Math.min(shortest, seconds.value), Math.min(long.value / factor, seconds.value))
    go(held - px / scale.value)
  }

  // see brings a second into sight.
  function see(second: number) {
    if (second < from.value || second > from.value + long.value) go(second - 0.1 * long.value)
  }

  watch(seconds, () => {
    from.value = 0
    span.value = 0
  })

  return { from, long, scale, x, at, go, zoom, see }
}

export type Window = ReturnType<typeof useWindow>
