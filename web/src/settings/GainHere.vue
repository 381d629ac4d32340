<script setup lang="ts">
import { computed } from 'vue'
import { useGain } from '../beatline/useGain'
import NumberField from '../parts/NumberField.vue'
import { usePlayhead } from '../player/usePlayhead'
import { useEditor } from '../stores/editor'
import type { ViewSound } from '../types'

// The key of a sound's gain at the playhead.
const props = defineProps<{ sound: ViewSound }>()
const editor = useEditor()
const gain = useGain()
const { here } = usePlayhead()
const i = computed(() => props.sound.gain.findIndex((k) => k.frame === editor.frame))
const set = (decibels: number) => gain.set(props.sound, here(), editor.frame, decibels)
</script>

<template>
  <p class="gain-here">
    <template v-if="i >= 0">
      <NumberField
        label="Louder here by"
        unit="dB"
        :value="sound.gain[i].decibels"
        hint="The key of its gain at the playhead"
        @change="set(Math.max(-60, Math.min($event, 12)))"
      />
      <button class="plain" @click="gain.remove(sound, i)">Take this gain key away</button>
    </template>
    <button v-else class="plain" title="It is louder or softer from key to key" @click="set(0)">
      <i class="bi bi-plus-lg" aria-hidden="true" /> Set a gain key here
    </button>
  </p>
</template>

<style scoped>
.gain-here {
  margin: 0.2rem 0 0;
  font-size: 0.8rem;
}
</style>
