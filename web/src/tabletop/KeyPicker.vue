<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { ref } from 'vue'
import { numbersOf } from '../parts/colour'
import { useDesk } from '../stores/desk'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'
import { useTabletop } from './useTabletop'

// A colour of a layer is picked in the picture, to be taken out of it: of the layer as it came,
// whatever is taken out of it already. w and h are the picture's pixels.
const props = defineProps<{ w: number; h: number }>()
const editor = useEditor()
const desk = useDesk()
const svg = ref<SVGSVGElement | null>(null)
const top = useTabletop(
  svg,
  () => props.w,
  () => props.h
)

async function pick(e: PointerEvent) {
  e.preventDefault()
  e.stopPropagation()
  if (e.button !== 0) return
  const layer = desk.keying
  const { shape, frame } = editor
  try {
    const colour = await editor.drawing().engines[0].call('colourUnder', { shape, frame, layer, at: top.units(e) })
    const value = numbersOf(colour, 255)
    await editor.run({ type: 'setValue', layer, property: 'keyColour', frame, value })
    desk.keying = ''
  } catch (problem) {
    useNotices().fail(problem)
  }
}

useEventListener(
  window,
  'keydown',
  (e) => {
    if (e.key !== 'Escape') return
    desk.keying = ''
    e.preventDefault()
    e.stopPropagation()
  },
  { capture: true }
)
</script>

<template>
  <svg
    ref="svg"
    class="picker"
    :width="w"
    :height="h"
    role="application"
    aria-label="Press on the colour that is to go"
    @pointerdown="pick"
  />
  <p class="says" role="status">
    Press on the colour that is to go. <button class="plain" @click="desk.keying = ''">Leave it</button>
  </p>
</template>

<style scoped>
.picker {
  position: absolute;
  inset: 0;
  cursor: crosshair;
  touch-action: none;
}

.says {
  position: absolute;
  left: 50%;
  bottom: 0.6rem;
  margin: 0;
  padding: 0.25rem 0.7rem;
  transform: translateX(-50%);
  border-radius: 6px;
  background: var(--chalk);
  font-size: 0.82rem;
  white-space: nowrap;
}
</style>
