import { defineStore } from 'pinia'
import { ref } from 'vue'
import { Problem } from '../types'

export interface Notice {
  id: number
  text: string
  kind: 'problem' | 'done'
  way?: Way
}

// What can be done about a notice while it is there.
export interface Way {
  label: string
  run(): void
}

// The core's reasons begin small, to stand after the name of a field; the name of a file
// stays as it is.
const sentence = (reason: string) => reason.replace(/^[a-z]+(?=[ ,])/, (word) => word[0].toUpperCase() + word.slice(1))

export const useNotices = defineStore('notices', () => {
  const list = ref<Notice[]>([])
  let next = 1

  function say(text: string, kind: Notice['kind'] = 'done', way?: Way) {
    const id = next++
    list.value = [...list.value.filter((n) => n.text !== text).slice(-2), { id, text, kind, way }]
    setTimeout(() => drop(id), kind === 'problem' || way ? 12000 : 4000)
  }

  // words are what is wrong, as a sentence.
  const words = (e: unknown) => sentence(e instanceof Error ? e.message : String(e))

  function fail(e: unknown) {
    if (e instanceof Problem && (e.code === 'crashed' || e.code === 'signIn')) return // said elsewhere
    say(words(e), 'problem')
  }

  function drop(id: number) {
    list.value = list.value.filter((n) => n.id !== id)
  }

  return { list, say, fail, drop, words }
})
