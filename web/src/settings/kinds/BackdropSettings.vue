<script setup lang="ts">
import type { Changed, Layer } from '../../types'
import ColourField from '../../parts/ColourField.vue'
import IconButton from '../../parts/IconButton.vue'
import NumberField from '../../parts/NumberField.vue'

type Backdrop = NonNullable<Layer['backdrop']>
const props = defineProps<{ layer: Layer; content: Backdrop }>()
const emit = defineEmits<{ set: [values: Changed<Layer>] }>()

function set(values: Partial<Backdrop>) {
  emit('set', { backdrop: { ...props.content, ...values } })
}

function setStop(i: number, values: Partial<Backdrop['stops'][number]>) {
  set({ stops: props.content.stops.map((s, k) => (k === i ? { ...s, ...values } : s)) })
}

function add() {
  const last = props.content.stops.at(-1) ?? { at: 0, colour: '#ffffff' }
  const spread = [...props.content.stops, { at: 100, colour: last.colour }]
  set({ stops: spread.map((s, i) => ({ ...s, at: (100 * i) / (spread.length - 1) })) })
}
</script>

<template>
  <div>
    <h2>Backdrop</h2>
    <div v-for="(s, i) in content.stops" :key="i" class="stop">
      <ColourField
        :label="content.stops.length > 1 ? `Colour ${i + 1}` : 'Colour'"
        :value="s.colour"
        @change="setStop(i, { colour: $event })"
      />
      <NumberField
        v-if="content.stops.length > 1"
        label="At"
        unit="%"
        :value="s.at"
        @change="setStop(i, { at: $event })"
      />
      <IconButton
        icon="x-lg"
        v-if="content.stops.length > 1"
        :label="`Delete colour ${i + 1}`"
        @click="set({ stops: content.stops.filter((_, k) => k !== i) })"
      />
    </div>
    <div class="pair last">
      <NumberField
        v-if="content.stops.length > 1"
        label="Runs towards"
        unit="°"
        :value="content.angle"
        @change="set({ angle: $event })"
      />
      <button v-if="content.stops.length < 4" class="plain add" @click="add">
        <i class="bi bi-plus-lg" /> Another colour
      </button>
    </div>
  </div>
</template>

<style scoped>
.stop {
  display: grid;
  grid-template-columns: 1fr 74px 26px;
  gap: 0.35rem;
  align-items: end;
  margin-bottom: 0.35rem;
}

.last {
  margin-bottom: 0.9rem;
}

.add {
  text-align: left;
  font-size: 0.8rem;
}
</style>
