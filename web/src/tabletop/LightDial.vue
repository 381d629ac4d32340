<script setup lang="ts">
import { computed, ref } from 'vue'
import { drag } from '../parts/useDrag'

// The light seen from the front: the lamp stands where the light comes from,
// the nearer to the middle the higher it is.
const props = defineProps<{ direction: number; height: number }>()
const emit = defineEmits<{ change: [light: { direction: number; height: number }] }>()
const svg = ref<SVGSVGElement | null>(null)
const held = ref<{ direction: number; height: number } | null>(null)

const now = computed(() => held.value ?? props)
const lamp = computed(() => {
  const r = ((90 - now.value.height) / 80) * 36
  const a = ((now.value.direction - 90) * Math.PI) / 180
  return { x: 44 + Math.cos(a) * r, y: 44 + Math.sin(a) * r }
})

function press(e: PointerEvent) {
  drag(
    e,
    (m) => {
      const box = (svg.value as SVGSVGElement).getBoundingClientRect()
      const x = m.clientX - box.left - 44
      const y = m.clientY - box.top - 44
      const r = Math.min(36, Math.hypot(x, y))
      held.value = {
        direction: Math.round((Math.atan2(x, -y) * 180) / Math.PI),
        height: Math.round(90 - (r / 36) * 80)
      }
    },
    (moved) => {
      if (moved && held.value) emit('change', held.value)
      held.value = null
    }
  )
}
</script>

<template>
  <svg ref="svg" width="88" height="88" role="img" aria-label="Where the light comes from" @pointerdown="press">
    <circle cx="44" cy="44" r="42" class="sky" />
    <circle :cx="44 - (lamp.x - 44) * 0.55" :cy="44 - (lamp.y - 44) * 0.55" r="11" class="shadow" />
    <circle cx="44" cy="44" r="11" class="thing" />
    <line x1="44" y1="44" :x2="lamp.x" :y2="lamp.y" class="ray" />
    <circle :cx="lamp.x" :cy="lamp.y" r="7" class="lamp" />
  </svg>
</template>

<style scoped>
svg {
  cursor: grab;
  touch-action: none;
}

.sky {
  fill: var(--sailcloth);
  stroke: var(--line);
}

.thing {
  fill: var(--kelp);
}

.shadow {
  fill: rgba(23, 63, 71, 0.28);
}

.ray {
  stroke: var(--brass);
  stroke-dasharray: 3 3;
}

.lamp {
  fill: var(--brass);
  stroke: var(--brass-deep);
}
</style>
