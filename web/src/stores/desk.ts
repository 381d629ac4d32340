import { useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import type { CopiedKey, Ease, Loudness } from '../types'

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
  const asCame = ref('') // the layer that is seen without its look
  const keying = ref('') // the layer of which a colour is picked in the picture, to be taken out
  const pulses = useLocalStorage('billow-pulses', false) // beats are seen at the Tabletop's edge
  const clicks = useLocalStorage('billow-clicks', false) // beats are heard while playing
  // Where the dividers stand, as shares of the window, for each arrangement.
  const dividers = useLocalStorage<Record<string, number>>('billow-dividers', {})
  const panel = ref<'props' | 'layer' | 'look' | 'motion' | 'clip'>('props') // which settings are seen
  const source = ref<'own' | 'stock'>('own') // whose props are seen
  const sketching = ref<'' | 'hand' | 'points'>('') // a figure is being drawn in the picture
  const sketchFor = ref('') // the layer for which what is drawn is a mask
  const alone = ref(false) // the picture has the window for itself
  const zoom = ref(1) // of the Beatline
  const copied = shallowRef<CopiedKey[]>([])
  const lookOf = ref('') // the layer whose look was copied last
  const motionOf = ref('') // the layer whose motion was copied last, if keys were not
  const copiedEase = shallowRef<Ease | null>(null)
  const more = useLocalStorage('billow-more-properties', false)
  const finding = ref('')
  const helping = ref(false)
  const sound = ref('') // beside the tune, whose settings are seen
  const striking = shallowRef<number[] | null>(null) // frames of the hits at which the open move does something
  const leastHit = useLocalStorage('billow-least-hit', 0.5) // strength from which on hits are seen and meant
  const loudness = shallowRef<Loudness | null>(null) // of the sound that was mixed last
  return {
    target,
    path,
    ghosts,
    guides,
    speed,
    safe,
    shadows,
    matte,
    asCame,
    keying,
    clicks,
    pulses,
    dividers,
    panel,
    source,
    sketching,
    sketchFor,
    alone,
    zoom,
    copied,
    motionOf,
    lookOf,
    copiedEase,
    more,
    finding,
    helping,
    leastHit,
    striking,
    loudness,
    sound
  }
})
