<script setup lang="ts">
import { computed } from 'vue'
import type { Ease } from '../types'
import CurveField from './CurveField.vue'
import NumberField from './NumberField.vue'

const props = defineProps<{ ease: Ease; kinds: readonly { readonly id: Ease['kind']; readonly name: string }[] }>()
const emit = defineEmits<{ change: [ease: Ease] }>()

// Small pictures of the kinds; the true curve is on the Beatline.
const icons: Record<string, string> = {
  linear: 'M2 18L22 2',
  in: 'M2 18C11 18 22 2 22 2',
  out: 'M2 18C2 18 13 2 22 2',
  inOut: 'M2 18C12 18 12 2 22 2',
  bezier: 'M2 18C4 -2 16 6 22 2',
  hold: 'M2 18H22V2',
  spring: 'M2 18C6 -6 9 -4 11 4S15 2 17 2 20 2 22 2',
  bounce: 'M2 18Q7 16 9 2Q12 12 15 2Q17 8 18 2Q20 5 22 2',
  steps: 'M2 18H7V13H12V8H17V2H22'
}

const corners = computed(() => [
  { id: 'x1', name: 'Out, time' },
  { id: 'y1', name: 'Out, value' },
  { id: 'x2', name: 'In, time' },
  { id: 'y2', name: 'In, value' }
])

interface Setting {
  id: keyof Ease
  name: string
  usual: number
  step: number
  unit?: string
  whole?: boolean
}

const settings: Record<string, Setting[]> = {
  spring: [
    { id: 'bounce', name: 'Bounce', usual: 0, step: 0.05 },
    { id: 'settle', name: 'Still after', usual: 100, step: 5, unit: '%' }
  ],
  bounce: [
    { id: 'count', name: 'Times', usual: 3, step: 1, whole: true },
    { id: 'decay', name: 'Keeps', usual: 0.35, step: 0.05 }
  ],
  steps: [{ id: 'count', name: 'Steps', usual: 4, step: 1, whole: true }]
}
const numbers = computed(() => settings[props.ease.kind] ?? [])

function choose(kind: Ease['kind']) {
  if (kind === 'bezier') emit('change', { kind, x1: 0.12, y1: 0.8, x2: 0.2, y2: 1 })
  else if (kind === 'spring') emit('change', { kind, bounce: 0.5 })
  else if (kind === 'bounce') emit('change', { kind, count: 3, decay: 0.35 })
  else if (kind === 'steps') emit('change', { kind, count: 4 })
  else emit('change', { kind })
}
</script>

<template>
  <div>
    <div class="kinds" role="group" aria-label="Easing">
      <button
        v-for="k in kinds"
        :key="k.id"
        class="plain"
        :class="{ on: ease.kind === k.id }"
        :aria-pressed="ease.kind === k.id"
        :aria-label="k.name"
        :title="k.name"
        @click="choose(k.id)"
      >
        <svg width="24" height="20" aria-hidden="true"><path :d="icons[k.id]" /></svg>
      </button>
    </div>
    <template v-if="ease.kind === 'bezier'">
      <CurveField :ease="ease" @change="emit('change', $event)" />
      <details>
        <summary>As numbers</summary>
        <div class="four">
          <NumberField
            v-for="c in corners"
            :key="c.id"
            :label="c.name"
            :value="(ease[c.id as keyof Ease] as number | undefined) ?? 0"
            :step="0.05"
            @change="emit('change', { ...props.ease, [c.id]: $event })"
          />
        </div>
      </details>
    </template>
    <div v-else-if="numbers.length" class="four">
      <NumberField
        v-for="n in numbers"
        :key="n.id"
        :label="n.name"
        :unit="n.unit"
        :value="(ease[n.id] as number | undefined) ?? n.usual"
        :step="n.step"
        @change="emit('change', { ...props.ease, [n.id]: n.whole ? Math.round($event) : $event })"
      />
    </div>
  </div>
</template>

<style scoped>
.kinds {
  display: grid;
  grid-template-columns: repeat(9, 1fr);
  gap: 2px;
}

.kinds .plain {
  padding: 0.2rem 0;
  display: grid;
  place-items: center;
}

svg path {
  fill: none;
  stroke: currentcolor;
  stroke-width: 2;
}

.four {
  display: grid;
  grid-template-columns: repeat(4, 1fr);
  gap: 0.3rem;
  margin-top: 0.4rem;
}
</style>
