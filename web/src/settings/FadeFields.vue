<script setup lang="ts">
import ChoiceField from '../parts/ChoiceField.vue'
import NumberField from '../parts/NumberField.vue'
import { fades } from '../gen/catalogue'
import type { SoundTrack } from '../types'
import { useSounds } from './useSounds'

// How a sound comes and goes.
defineProps<{ own: SoundTrack }>()
const { set } = useSounds()
</script>

<template>
  <NumberField label="Fades in, frames" :value="own.fadeIn" @change="set(own.id, { fadeIn: Math.round($event) })" />
  <ChoiceField
    label="How it fades in"
    :value="own.fadeInShape ?? ''"
    :options="fades"
    @change="set(own.id, { fadeInShape: $event })"
  />
  <NumberField label="Fades out, frames" :value="own.fadeOut" @change="set(own.id, { fadeOut: Math.round($event) })" />
  <ChoiceField
    label="How it fades out"
    :value="own.fadeOutShape ?? ''"
    :options="fades"
    @change="set(own.id, { fadeOutShape: $event })"
  />
</template>
