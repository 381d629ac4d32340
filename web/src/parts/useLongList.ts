import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'

// A list of many rows that are equally high, below a head of its own: only rows that are seen are
// there, and some before and after them.
export function useLongList(count: () => number, look: { high: number; head: number; more: number }) {
  const { high, head, more } = look
  const scroller = ref<HTMLElement | null>(null)
  const size = useElementSize(scroller)
  const top = ref(0)

  const seen = computed(() => {
    const from = Math.max(0, Math.floor(top.value / high) - more)
    const to = Math.min(count(), Math.ceil((top.value + size.height.value) / high) + more)
    return Array.from({ length: Math.max(0, to - from) }, (_, i) => from + i)
  })
  // How many rows a page is.
  const page = computed(() => Math.max(1, Math.floor((size.height.value - head) / high)))

  const scrolled = () => (top.value = scroller.value?.scrollTop ?? 0)

  // reveal brings a row into sight.
  function reveal(row: number) {
    const el = scroller.value
    if (!el) return
    const y = row * high
    if (y < el.scrollTop) el.scrollTop = y
    else if (y + high + head > el.scrollTop + el.clientHeight) el.scrollTop = y + high + head - el.clientHeight
    scrolled()
  }

  return { scroller, size, seen, page, scrolled, reveal }
}
