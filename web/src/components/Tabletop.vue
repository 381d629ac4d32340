<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import { useStill } from '../composables/useStill'
import { useEditor } from '../stores/editor'
import { shapeName } from '../words'
import Handles from './Handles.vue'

const props = defineProps<{ playing: boolean }>()
const editor = useEditor()
const area = ref<HTMLElement | null>(null)
const canvas = ref<HTMLCanvasElement | null>(null)
const room = useElementSize(area)

// The largest picture of the shape that fits the room.
const fit = computed(() => {
  const s = editor.shapeNow
  if (!s || !room.width.value) return { w: 0, h: 0 }
  const k = Math.min((room.width.value - 48) / s.w, (room.height.value - 56) / s.h)
  return { w: Math.max(2, Math.floor(s.w * k)), h: Math.max(2, Math.floor(s.h * k)) }
})

const size = computed(() => {
  const k = Math.min(window.devicePixelRatio || 1, 2)
  return { w: Math.round(fit.value.w * k), h: Math.round(fit.value.h * k) }
})

useStill(canvas, 0, () => ({
  shape: editor.shape,
  ...size.value,
  frame: editor.frame,
  active: !props.playing,
  version: editor.version
}))

// While the picture moves, what a drag would change is said.
const target = computed(() => {
  const l = editor.layer
  if (!l || l.kind === 'backdrop') return ''
  const keyed = (l.tracks.position?.length ?? 0) > 0
  if (keyed) {
    const row = editor.view.rows.find((r) => r.layer === l.id)
    const here = row?.tracks.find((t) => t.property === 'position')?.beads.some((b) => b.frame === editor.frame)
    return here ? `Dragging changes the position key here` : `Dragging makes a position key here`
  }
  return editor.shape === editor.home
    ? 'Dragging moves where it rests'
    : `Dragging moves where it rests in ${shapeName(editor.shape)} alone`
})

defineExpose({ canvas, size })
</script>

<template>
  <main ref="area" class="tabletop" aria-label="Tabletop">
    <div class="frame" :style="{ width: `${fit.w}px`, height: `${fit.h}px` }">
      <canvas
        ref="canvas"
        :style="{ width: `${fit.w}px`, height: `${fit.h}px` }"
        role="img"
        :aria-label="`Frame ${editor.frame}`"
      />
      <Handles v-if="!playing" :w="fit.w" :h="fit.h" />
    </div>
    <p v-if="target && !playing" class="target">{{ target }}</p>
  </main>
</template>

<style scoped>
.tabletop {
  grid-area: table;
  position: relative;
  display: grid;
  place-items: center;
  background: #828282;
  overflow: hidden;
}

.frame {
  position: relative;
  box-shadow: 0 4px 18px rgba(0, 0, 0, 0.32);
}

canvas {
  display: block;
}

.target {
  position: absolute;
  left: 50%;
  bottom: 3px;
  transform: translateX(-50%);
  margin: 0;
  font-size: 0.75rem;
  color: #fff;
  background: rgba(23, 63, 71, 0.86);
  padding: 0.05rem 0.5rem;
  border-radius: 6px;
  white-space: nowrap;
}
</style>
