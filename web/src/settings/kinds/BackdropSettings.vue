<script setup lang="ts">
import type { Layer } from '../../types'
import { kindOf } from '../../words'
import FillSettings from '../FillSettings.vue'

defineProps<{ layer: Layer; content: NonNullable<Layer['backdrop']> }>()
</script>

<template>
  <div class="backdrop">
    <h2>{{ kindOf(layer.kind)?.name }}</h2>
    <FillSettings :layer="layer" :fill="content" />
  </div>
</template>

<style scoped>
.backdrop {
  margin-bottom: 0.9rem;
}
</style>
