<script setup lang="ts">
import { refDebounced } from '@vueuse/core'
import { computed, ref } from 'vue'
import { useStill } from './useStill'
import { useEditor } from '../stores/editor'
import type { Shape } from '../types'
import { shapeName, shapeRatio } from '../words'

const props = defineProps<{ shape: Shape; playing: boolean; most: { w: number; h: number } }>()
const editor = useEditor()
const canvas = ref<HTMLCanvasElement | null>(null)

const size = computed(() => {
  const k = Math.min(props.most.w / props.shape.w, Math.min(props.most.h, 210) / props.shape.h)
  return { w: Math.round(props.shape.w * k), h: Math.round(props.shape.h * k) }
})

const differs = computed(() =>
  editor.view.rows.some((r) => r.layer === editor.selected && r.differ.includes(props.shape.id))
)

// Proofs follow a moment later, so that the Tabletop has the machine first.
const moment = refDebounced(
  computed(() => ({ frame: editor.frame, version: editor.proofed })),
  60,
  { maxWait: 150 }
)

// They are drawn at twice their size: they are small and looked at closely.
const drawn = useStill(canvas, 1, () => ({
  shape: props.shape.id,
  w: size.value.w * 2,
  h: size.value.h * 2,
  ...moment.value,
  active: !props.playing
}))
</script>

<template>
  <button
    class="proof plain"
    :aria-label="`Arrange ${shapeName(shape.id)} ${shapeRatio(shape.id)}`"
    @click="editor.choose(shape.id)"
  >
    <img
      v-if="!drawn"
      class="kept"
      :src="`/api/clips/${editor.id}/poster.jpg`"
      alt=""
      :style="{ width: `${size.w}px`, height: `${size.h}px` }"
    />
    <canvas
      v-show="drawn"
      ref="canvas"
      :data-shape="shape.id"
      :style="{ width: `${size.w}px`, height: `${size.h}px` }"
    />
    <span>
      {{ shapeName(shape.id) }} {{ shapeRatio(shape.id) }}
      <i v-if="differs" class="bi bi-asterisk" title="The chosen layer stands elsewhere here" />
    </span>
  </button>
</template>

<style scoped>
.proof {
  display: grid;
  justify-items: center;
  gap: 0.1rem;
  color: #fff;
  font-size: 0.75rem;
  text-shadow: 0 1px 2px rgba(0, 0, 0, 0.55);
}

.kept {
  object-fit: cover;
}

canvas,
.kept {
  box-shadow: 0 2px 8px rgba(0, 0, 0, 0.3);
}

i {
  font-size: 0.6rem;
}
</style>
