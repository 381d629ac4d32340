import { defineStore } from 'pinia'
import { ref } from 'vue'
import { Problem } from '../types'

export interface Notice {
  id: number
  text: string
  kind: 'problem' | 'done'
}

export const useNotices = defineStore('notices', () => {
  const list = ref<Notice[]>([])
  let next = 1

  function say(text: string, kind: Notice['kind'] = 'done') {
    const id = next++
    list.value = [...list.value.filter((n) => n.text !== text).slice(-2), { id, text, kind }]
    setTimeout(() => drop(id), kind === 'problem' ? 12000 : 4000)
  }

  function fail(e: unknown) {
    if (e instanceof Problem && (e.code === 'crashed' || e.code === 'signIn')) return // said elsewhere
    say(e instanceof Error ? e.message : String(e), 'problem')
  }

  function drop(id: number) {
    list.value = list.value.filter((n) => n.id !== id)
  }

  return { list, say, fail, drop }
})
