import { ref, watch } from 'vue'

// useTyped keeps what a person writes into a field until it is taken: a value
// that changes meanwhile, by someone else's hand or by another edit that only
// now arrives, does not wipe it out.
export function useTyped(value: () => string) {
  const text = ref(value())
  const typing = ref(false)
  // show brings back the true value.
  function show() {
    typing.value = false
    text.value = value()
  }
  watch(value, () => typing.value || show())
  return { text, typing, show }
}
