<script setup lang="ts">
import { computed } from 'vue'
import { properties } from '../gen/catalogue'
import { useEditor } from '../stores/editor'
import type { Command, Layer } from '../types'
import ToneCurve from '../look/ToneCurve.vue'
import PropertyFields from './PropertyFields.vue'
import { useValues } from './useValues'

// The colours of a layer, a group or a scene: light and contrast first, then what is wanted less
// often. All of it can have keys, under Motion.
const props = defineProps<{ layer: Layer }>()
const editor = useEditor()
const { now } = useValues(() => props.layer)

const first = ['exposure', 'contrast', 'temperature', 'tintGreen', 'saturation', 'vibrance', 'hue', 'sharpen'] as const
const levels = ['levelsBlack', 'levelsMiddle', 'levelsWhite', 'levelsDarkest', 'levelsLightest'] as const
const curves = ['curve', 'curveRed', 'curveGreen', 'curveBlue'] as const
const duotone = computed(() => (now('duotone') > 0 ? ['duotone', 'duotoneDark', 'duotoneLight'] : ['duotone']))
const all = [...first, 'sharpenRadius', ...levels, ...curves, 'duotone', 'invert']

const names: Record<string, string[]> = {
  levelsBlack: ['Black from'],
  levelsMiddle: ['Middle'],
  levelsWhite: ['White from'],
  levelsDarkest: ['Darkest'],
  levelsLightest: ['Lightest']
}
const set = computed(() => all.filter((n) => props.layer.values?.[n] && !props.layer.tracks[n]))
const touched = (names: readonly string[]) => names.some((n) => props.layer.values?.[n] || props.layer.tracks[n])

function asItWas() {
  const { frame } = editor
  const commands = set.value.map((property): Command => {
    const p = properties.find((x) => x.name === property)
    const value = Array.from({ length: p?.dims ?? 1 }, () => p?.neutral ?? 0)
    return { type: 'setValue', layer: props.layer.id, property, frame, value }
  })
  editor.runAll(commands)
}
</script>

<template>
  <section class="tones" aria-label="Colours and light">
    <h2>Colours and light</h2>
    <div class="four"><PropertyFields :layer="layer" :names="first" /></div>
    <details :open="touched(levels)">
      <summary>Levels <small>what is black, what is white</small></summary>
      <div class="four"><PropertyFields :layer="layer" :names="levels" :labels="names" /></div>
    </details>
    <details :open="touched(curves)">
      <summary>Curves <small>higher or lower at each level</small></summary>
      <ToneCurve :layer="layer" />
    </details>
    <details :open="touched(['duotone', 'invert'])">
      <summary>Two colours, inverted <small>for flat, poster-like pictures</small></summary>
      <div class="four"><PropertyFields :layer="layer" :names="[...duotone, 'invert']" /></div>
    </details>
    <button v-if="set.length" class="plain back" @click="asItWas">
      <i class="bi bi-arrow-counterclockwise" aria-hidden="true" /> As it came
    </button>
  </section>
</template>

<style scoped>
.tones h2 {
  margin-top: 0;
}

.four {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(78px, 1fr));
  gap: 0.4rem 0.5rem;
  margin: 0.3rem 0 0.5rem;
}

.back {
  font-size: 0.82rem;
}
</style>
