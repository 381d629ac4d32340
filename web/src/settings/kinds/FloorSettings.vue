<script setup lang="ts">
import type { Floor, Layer } from '../../types'
import PropertyFields from '../PropertyFields.vue'

// A wall and a floor; the horizon and the glow are dragged in the picture, too.
defineProps<{ layer: Layer; content: Floor }>()
const labels = {
  horizonSoft: ['Softness'],
  glow: ['Strength'],
  glowAt: ['Place'],
  glowReach: ['Width'],
  lightColour: ['Colour of the glow']
}
</script>

<template>
  <div>
    <h2>Wall and floor</h2>
    <div class="pair">
      <PropertyFields
        :layer="layer"
        :names="['wallColour', 'groundColour', 'horizon', 'horizonSoft']"
        :labels="labels"
      />
    </div>
    <h2>Glow where they meet</h2>
    <PropertyFields :layer="layer" :names="['lightColour']" :labels="labels" />
    <div class="three">
      <PropertyFields :layer="layer" :names="['glow', 'glowAt', 'glowReach']" :labels="labels" />
    </div>
  </div>
</template>
