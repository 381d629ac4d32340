<script setup lang="ts">
import { computed } from 'vue'
import { useEditor } from '../stores/editor'
import type { Place } from '../types'

// The cut-out that would show what is carried over it. w and h are the picture's
// pixels.
const props = defineProps<{ place: Place; swaps: boolean; w: number; h: number }>()
const editor = useEditor()
const corners = computed(() => {
  const unit = Math.min(props.w, props.h) / 1000
  return props.place.corners.map(([x, y]) => [x * unit + props.w / 2, y * unit + props.h / 2])
})
const name = computed(() => editor.layers.get(props.place.layer)?.name)
const top = computed(() => Math.max(4, Math.min(...corners.value.map((c) => c[1])) - 30))
const middle = computed(() =>
  Math.min(
    Math.max(
      corners.value.reduce((s, c) => s + c[0] / 4, 0),
      90
    ),
    props.w - 90
  )
)
</script>

<template>
  <div class="target" :class="{ swaps }" data-drop-target>
    <svg :width="w" :height="h" aria-hidden="true"><polygon :points="corners.join(' ')" /></svg>
    <span :style="{ top: `${top}px`, left: `${middle}px` }">
      {{ swaps ? `Let go: ${name} shows it` : `Alt: swap ${name}` }}
    </span>
  </div>
</template>

<style scoped>
.target {
  position: absolute;
  inset: 0;
  pointer-events: none;
}

svg {
  overflow: visible;
}

polygon {
  fill: none;
  stroke: #fcfaf5;
  stroke-width: 2;
  stroke-dasharray: 5 4;
  filter: drop-shadow(0 0 1px #173f47);
}

.swaps polygon {
  fill: rgb(252 250 245 / 35%);
  stroke-dasharray: none;
}

span {
  position: absolute;
  transform: translateX(-50%);
  padding: 0.1rem 0.5rem;
  border-radius: 0.7rem;
  background: #173f47;
  color: #fcfaf5;
  font-size: 0.78rem;
  white-space: nowrap;
}
</style>
