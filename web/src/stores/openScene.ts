import { computed, ref, watch, type Ref } from 'vue'
import type { View } from '../types'

// openScene is the scene that is open: its rows are on the Beatline. It follows the
// playhead, but not while the clip plays.
export function openScene(frame: Ref<number>, view: Ref<View>, playing: Ref<boolean>) {
  const scene = ref('')
  watch([frame, view, playing], () => {
    const scenes = view.value.scenes
    const here = scenes.filter((s) => s.from <= frame.value).at(-1) ?? scenes[0]
    if (here && (!playing.value || !scenes.some((s) => s.id === scene.value))) scene.value = here.id
  })
  const sceneNow = computed(() => view.value.scenes.find((s) => s.id === scene.value))
  return { scene, sceneNow }
}
