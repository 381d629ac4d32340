import { defineStore } from 'pinia'
import { ref } from 'vue'
import { api, whenSignedOut } from '../api'
import { useEditor } from './editor'
import { forgetKept } from './keeper'

// Whether one has to sign in. What is open stays open beneath the question, so
// that nothing that was done is lost.
export const useDoor = defineStore('door', () => {
  const closed = ref(false) // others can reach this server
  const asking = ref(false)
  const visits = ref(0) // counts sign-ins after which pages have to load anew

  whenSignedOut(() => {
    closed.value = asking.value = true
  })

  async function look() {
    const state = await api.door()
    closed.value = state.closed
    asking.value = !state.in
  }

  async function enter(phrase: string) {
    await api.signIn(phrase)
    asking.value = false
    const box = useEditor().outbox
    if (box) box.hurry()
    else visits.value++
  }

  async function leave() {
    await api.signOut()
    forgetKept()
    asking.value = true
  }

  return { closed, asking, visits, look, enter, leave }
})
