<script setup lang="ts">
import { computed } from 'vue'
import type { Retiming } from '../types'
import { listed } from '../words'

// What becomes of the clip's times.
const props = defineProps<{ change: Retiming }>()
const length = computed(() =>
  props.change.was === props.change.is
    ? `The clip stays ${props.change.is} long`
    : `The clip becomes ${props.change.is} long, from ${props.change.was}`
)
const scenes = computed(() => props.change.scenes.map((s) => `${s.name} ${s.was} → ${s.is}`))
const keys = computed(() => {
  const { keys, layers } = props.change
  if (!keys) return 'No key moves in time.'
  return `${keys === 1 ? '1 key moves' : `${keys} keys move`} in time: ${listed(layers.slice(0, 4))}${layers.length > 4 ? ' and others' : ''}.`
})
</script>

<template>
  <p data-test="retiming">
    {{ length }}<template v-if="scenes.length">; {{ listed(scenes) }}</template
    >. {{ keys }}
  </p>
</template>

<style scoped>
p {
  margin: 0 0 0.35rem;
}
</style>
