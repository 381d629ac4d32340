<script setup lang="ts">
import type { Layer } from '../types'
import PropertyFields from './PropertyFields.vue'

// A layer or a group that opens in two halves and shows what lies behind.
defineProps<{ layer: Layer }>()
const labels = { open: ['Apart'], openTurn: ['Line turn'], openAt: ['Line right', 'Line down'] }
</script>

<template>
  <div>
    <h2 title="Key how far apart the halves are, and it opens">Opens in two halves</h2>
    <div class="four">
      <PropertyFields :layer="layer" :names="['open', 'openTurn', 'openAt']" :labels="labels" />
    </div>
  </div>
</template>

<style scoped>
.four {
  display: grid;
  grid-template-columns: repeat(4, 1fr);
  gap: 0.4rem;
  align-items: end;
}
</style>
