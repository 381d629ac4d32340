<script setup lang="ts">
import { onBeforeUnmount, ref, watch } from 'vue'
import { put } from '../engine/painters'
import { useEditor } from '../stores/editor'

// Faint pictures of the chosen layer on the frames before and after.
const props = defineProps<{ w: number; h: number }>()
const editor = useEditor()
const canvas = ref<HTMLCanvasElement | null>(null)
let gone = false
let busy = false
let again = false

async function draw() {
  if (busy) {
    again = true
    return
  }
  busy = true
  do {
    again = false
    const step = Math.max(2, Math.round((editor.clip?.rate ?? 30) / 6))
    const frames = [-3, -2, -1, 1, 2, 3].map((k) => editor.frame + k * step)
    // No more pixels than the export has, however large the picture is seen.
    const k = Math.min(1, (editor.shapeNow?.w ?? props.w) / props.w)
    const [w, h] = [Math.round(props.w * k), Math.round(props.h * k)]
    const wish = { shape: editor.shape, w, h, layer: editor.selected, frames }
    try {
      const pixels = await editor.drawing().engines[1].call('ghosts', wish)
      if (!gone && canvas.value) put(canvas.value, { w, h, pixels }, true)
    } catch {
      // The picture is on its way; the next version brings it.
    }
  } while (again && !gone)
  busy = false
}

watch(() => [props.w, props.h, editor.shape, editor.frame, editor.selected, editor.version], draw, { immediate: true })
onBeforeUnmount(() => (gone = true))
</script>

<template>
  <canvas ref="canvas" class="ghosts" :style="{ width: `${w}px`, height: `${h}px` }" aria-hidden="true" />
</template>

<style scoped>
.ghosts {
  position: absolute;
  inset: 0;
  pointer-events: none;
}
</style>
