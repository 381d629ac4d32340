import { ref, shallowRef } from 'vue'

// useHints asks what something half typed means; an answer that comes after a
// newer question is dropped.
export function useHints<T>(ask: (text: string) => Promise<T>) {
  const hint = shallowRef<T | null>(null)
  const asked = ref(0)

  function look(text: string) {
    const mine = ++asked.value
    ask(text).then(
      (answer) => mine === asked.value && (hint.value = answer),
      () => mine === asked.value && (hint.value = null)
    )
  }

  function clear() {
    asked.value++
    hint.value = null
  }

  return { hint, look, clear }
}
