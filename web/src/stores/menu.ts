import { defineStore } from 'pinia'
import { shallowRef } from 'vue'

// The menu of what can be done with what is chosen: where it is open.
export const useMenu = defineStore('menu', () => {
  const at = shallowRef<{ x: number; y: number } | null>(null)
  return {
    at,
    open: (x: number, y: number) => (at.value = { x, y }),
    close: () => (at.value = null)
  }
})
