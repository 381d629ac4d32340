import { shallowRef } from 'vue'

// useHints asks what something half typed means; an answer that comes after a
// newer question is dropped.
export function useHints<T>(ask: (text: string) => Promise<T>) {
  const hint = shallowRef<T | null>(null)
  let asked = 0

  function look(text: string) {
    const mine = ++asked
    ask(text).then(
      (answer) => mine === asked && (hint.value = answer),
      () => mine === asked && (hint.value = null)
    )
  }

  function clear() {
    asked++
    hint.value = null
  }

  return { hint, look, clear }
}
