import { useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import type { CopiedKey, Ease } from '../types'

// How a person likes to work: kept in the browser, not in the clip.
export const useDesk = defineStore('desk', () => {
  const target = useLocalStorage<'rest' | 'key'>('billow-target', 'rest') // what a drag in the picture changes
  const path = useLocalStorage('billow-path', true)
  const ghosts = useLocalStorage('billow-ghosts', false)
  const guides = useLocalStorage('billow-guides', true)
  const speed = useLocalStorage('billow-speed', false)
  const safe = useLocalStorage('billow-safe', false) // the safe area is shown
  const shadows = ref(false) // they are seen in a loud colour
  const matte = ref('') // the layer of which the matte is seen
  const keying = ref('') // the layer of which a colour is picked in the picture, to be taken out
  const clicks = useLocalStorage('billow-clicks', false) // beats are heard while playing
  // Where the dividers stand, as shares of the window, for each arrangement.
  const dividers = useLocalStorage<Record<string, number>>('billow-dividers', {})
  const panel = ref<'props' | 'layer' | 'motion' | 'clip'>('props') // which settings are seen
  const sketching = ref<'' | 'hand' | 'points'>('') // a figure is being drawn in the picture
  const sketchFor = ref('') // the layer for which what is drawn is a mask
  const alone = ref(false) // the picture has the window for itself
  const zoom = ref(1) // of the Beatline
  const copied = shallowRef<CopiedKey[]>([])
  const motionOf = ref('') // the layer whose motion was copied last, if keys were not
  const copiedEase = shallowRef<Ease | null>(null)
  const more = useLocalStorage('billow-more-properties', false)
  const finding = ref('')
  const helping = ref(false)
  return {
    target,
    path,
    ghosts,
    guides,
    speed,
    safe,
    shadows,
    matte,
    keying,
    clicks,
    dividers,
    panel,
    sketching,
    sketchFor,
    alone,
    zoom,
    copied,
    motionOf,
    copiedEase,
    more,
    finding,
    helping
  }
})
