<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { hitKinds, hitsWhich } from '../gen/catalogue'
import type { HitChoice } from '../types'
import ChoiceField from '../parts/ChoiceField.vue'
import NumberField from '../parts/NumberField.vue'

// Which hits of the tune count: their kinds, how strong they are, which of them, and how far apart.
const props = defineProps<{ choice: HitChoice }>()
const emit = defineEmits<{
  change: [choice: Partial<HitChoice>]
  weigh: [least: number] // while the strength is dragged
}>()

// None chosen is all but rises.
const kinds = computed(() => props.choice.kinds ?? ['low', 'mid', 'high'])
function toggle(kind: string) {
  const next = hitKinds.map((k) => k.id as string).filter((k) => (k === kind) !== kinds.value.includes(k))
  if (next.length) emit('change', { kinds: next })
}

// While the strength is dragged it is shown; it counts when it is let go.
const least = ref(props.choice.least)
watch(
  () => props.choice.least,
  (v) => (least.value = v)
)
watch(least, (v) => emit('weigh', v))
</script>

<template>
  <div class="choice">
    <div class="kinds" role="group" aria-label="Kinds of hits">
      <button
        v-for="k in hitKinds"
        :key="k.id"
        class="plain"
        :class="{ on: kinds.includes(k.id) }"
        :aria-pressed="kinds.includes(k.id)"
        :title="k.says"
        @click="toggle(k.id)"
      >
        {{ k.name }}
      </button>
    </div>
    <label class="least">
      From the strength of {{ Math.round(100 * least) }}% on
      <input
        v-model.number="least"
        type="range"
        min="0"
        max="1"
        step="0.01"
        aria-label="Strength from which on hits count"
        @change="emit('change', { least })"
      />
    </label>
    <div class="pair">
      <ChoiceField
        label="Which"
        :value="choice.which ?? ''"
        :options="hitsWhich"
        @change="emit('change', { which: $event })"
      />
      <NumberField
        late
        label="At least so many beats apart"
        :step="0.5"
        :value="choice.apart ?? 0"
        @change="emit('change', { apart: $event })"
      />
      <slot />
    </div>
  </div>
</template>

<style scoped>
.choice {
  display: grid;
  gap: 0.3rem;
}

.kinds {
  display: flex;
  gap: 0.2rem;
}

.on {
  background: var(--harbour);
  color: var(--chalk);
}

.least input {
  width: 100%;
}
</style>
