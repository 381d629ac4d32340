<script setup lang="ts">
import { computed, onBeforeUnmount, watch } from 'vue'
import ToneSettings from '../settings/ToneSettings.vue'
import { useDesk } from '../stores/desk'
import { useEditor } from '../stores/editor'
import AdviceButtons from './AdviceButtons.vue'
import EffectList from './EffectList.vue'
import LookShelf from './LookShelf.vue'

// How what is chosen looks: named looks, what is proposed for it, its colours, and its effects.
const editor = useEditor()
const desk = useDesk()
const layer = computed(() => editor.layer)
const pictured = computed(() => !!layer.value?.cutout)

const asCame = computed(() => !!layer.value && desk.asCame === layer.value.id)
const forget = () => (desk.asCame = '')
watch(() => editor.selected, forget)
onBeforeUnmount(forget)

async function gel() {
  await editor.addLayer('gel')
  desk.panel = 'look'
}
</script>

<template>
  <div v-if="!layer" class="nothing">
    <p>Choose a layer, a group or a scene to change how it looks.</p>
    <p>A gel lies over others like coloured film before a lamp: what it has changes everything beneath it.</p>
    <button class="btn btn-light" @click="gel"><i class="bi bi-back" aria-hidden="true" /> Add a gel</button>
  </div>
  <div v-else class="look">
    <div class="head">
      <h2>{{ layer.name }}</h2>
      <button
        class="plain came"
        :class="{ on: asCame }"
        :aria-pressed="asCame"
        title="See it without its look, and with it again"
        @click="desk.asCame = asCame ? '' : layer.id"
      >
        <i :class="`bi bi-${asCame ? 'eye-slash' : 'eye'}`" aria-hidden="true" />
        {{ asCame ? 'As it came' : 'With its look' }}
      </button>
    </div>
    <p v-if="layer.kind === 'gel'" class="says">
      What is set here changes everything beneath {{ layer.group ? 'it in its scene or group' : 'it' }}.
    </p>
    <LookShelf :layer="layer" />
    <div class="below">
      <div>
        <AdviceButtons v-if="pictured" :layer="layer" />
        <EffectList :layer="layer" />
      </div>
      <ToneSettings :layer="layer" />
    </div>
  </div>
</template>

<style scoped>
.nothing {
  max-width: 42ch;
  color: var(--harbour-soft);
}

.head {
  display: flex;
  gap: 0.5rem;
  align-items: center;
  justify-content: space-between;
  margin-bottom: 0.2rem;
  position: sticky;
  top: -0.6rem;
  z-index: 2;
  background: var(--chalk);
}

.head h2 {
  margin: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.came {
  flex: none;
  font-size: 0.8rem;
}

.below {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(230px, 1fr));
  gap: 0.6rem 1.4rem;
  margin-top: 0.7rem;
}

.says {
  margin: 0 0 0.4rem;
  font-size: 0.82rem;
  color: var(--harbour-soft);
}
</style>
