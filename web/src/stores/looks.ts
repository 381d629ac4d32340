import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { api } from '../api'
import { looks as ready } from '../gen/catalogue'
import type { NamedLook } from '../types'
import { useNotices } from './notices'

// The named looks: those that come with Billow, and those that were kept.
export const useLooks = defineStore('looks', () => {
  const own = ref<NamedLook[]>([])
  let asked: Promise<void> | null = null

  // load asks once; a page without a server goes without kept looks.
  const load = () => (asked ??= again().catch(() => void (asked = null)))
  async function again() {
    own.value = await api.looks()
  }

  async function keep(look: NamedLook) {
    await api.putLook(look)
    await again()
  }

  async function remove(look: NamedLook) {
    await api.removeLook(look.id)
    await again()
    useNotices().say(`The look ${look.name} is deleted`, 'done', {
      label: 'Take it back',
      run: () => keep(look).catch(useNotices().fail)
    })
  }

  const all = computed<NamedLook[]>(() => [...own.value, ...(ready as unknown as NamedLook[])])
  const isOwn = (look: NamedLook) => own.value.some((o) => o.id === look.id)

  return { own, all, load, keep, remove, isOwn }
})
