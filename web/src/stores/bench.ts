import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { api, type PhotoCut } from '../api'
import type { Prop } from '../types'
import { listed } from '../words'
import { useNotices } from './notices'

// How many photos are cut at a time.
const atOnce = 2

// useBenched is what lies on the Bench: photos and footage, and what was cut out of them.
export const useBenched = defineStore('bench', () => {
  const notices = useNotices()
  const cuts = shallowRef<PhotoCut[]>([])
  const making = ref<string[]>([]) // those that are being cut now, or wait for it
  const going = shallowRef<Record<string, { share: number; stop: () => void }>>({}) // how far footage is that is being cut
  const backed = new Set<string>() // hashes of pictures that were brought in with their background
  const uncut = computed(() => cuts.value.filter((c) => !c.result && !c.moves && !making.value.includes(c.id)))

  async function load() {
    cuts.value = await api.cuts()
  }

  // put shows a cut as it is now, a new one before all others.
  function put(cut: PhotoCut) {
    const known = cuts.value.some((c) => c.id === cut.id)
    cuts.value = known ? cuts.value.map((c) => (c.id === cut.id ? cut : c)) : [cut, ...cuts.value]
  }

  // lay lays photos on the Bench and gives their cuts.
  async function lay(photos: Prop[]) {
    const laid: PhotoCut[] = []
    for (const p of photos) {
      const cut = await api.layPhoto(p.hash, p.name)
      put(cut)
      laid.push(cut)
    }
    return laid
  }

  async function make(id: string, looked = false) {
    const done = (share: number, stop: () => void) => (going.value = { ...going.value, [id]: { share, stop } })
    try {
      const made = await api.makeCut(id, looked, done)
      put(made)
      return made
    } finally {
      going.value = Object.fromEntries(Object.entries(going.value).filter(([other]) => other !== id))
    }
  }

  // makeAll cuts several photos by the first guess, some at a time.
  async function makeAll(list: PhotoCut[]) {
    const waiting = list.map((c) => c.id)
    making.value = [...making.value, ...waiting]
    const failed: string[] = []
    const work = async () => {
      for (let id = waiting.shift(); id; id = waiting.shift()) {
        const now = id
        await make(now).catch((e) => {
          failed.push(list.find((c) => c.id === now)?.name ?? '')
          notices.fail(e)
        })
        making.value = making.value.filter((m) => m !== now)
      }
    }
    await Promise.all(Array.from({ length: atOnce }, work))
    if (failed.length > 1) notices.say(`Not cut: ${listed(failed)}`, 'problem')
  }

  // remove takes a photo off the Bench, with a chance to take that back.
  async function remove(cut: PhotoCut) {
    try {
      await api.removeCut(cut.id)
      cuts.value = cuts.value.filter((c) => c.id !== cut.id)
      const run = () => void api.returnCut(cut.id).then(load).catch(notices.fail)
      notices.say(`${cut.name} is off the Bench`, 'done', { label: 'Take it back', run })
    } catch (e) {
      notices.fail(e)
    }
  }

  return { backed, cuts, going, making, uncut, load, put, lay, make, makeAll, remove }
})
