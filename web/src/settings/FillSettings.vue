<script setup lang="ts">
import ColourField from '../parts/ColourField.vue'
import IconButton from '../parts/IconButton.vue'
import NumberField from '../parts/NumberField.vue'
import type { Fill, Layer } from '../types'
import { useFill } from './useFill'

// How a plane is coloured: one colour, or a gradient and how it runs.
const props = defineProps<{ layer: Layer; fill?: Fill | null; plain?: string }>()
const f = useFill(
  () => props.layer,
  () => props.fill,
  () => props.plain ?? ''
)
const { run, colours, angle, centre, reach, flat } = f

const runs = [
  { id: 'solid', name: 'Solid', says: 'One colour' },
  { id: 'linear', name: 'Linear', says: 'Colours along a line' },
  { id: 'radial', name: 'Radial', says: 'Colours from a centre outwards' },
  { id: 'conic', name: 'Conic', says: 'Colours around a centre' },
  { id: 'free', name: 'Free', says: 'Colours between points that are dragged in the picture' }
]
</script>

<template>
  <div>
    <div class="runs" role="radiogroup" aria-label="How it is coloured">
      <button
        v-for="r in runs"
        :key="r.id"
        class="plain"
        role="radio"
        :aria-checked="run === r.id"
        :class="{ on: run === r.id }"
        :title="r.says"
        @click="f.setRun(r.id)"
      >
        <span class="look" :class="r.id" aria-hidden="true" />
        {{ r.name }}
      </button>
    </div>
    <div v-for="(c, i) in colours" :key="c.number" class="stop" :class="{ placed: c.place }">
      <ColourField
        :label="colours.length > 1 ? `Colour ${i + 1}` : 'Colour'"
        :value="c.hex"
        @change="f.setColour(c, $event)"
      />
      <NumberField
        v-if="run !== 'solid' && c.at !== undefined"
        label="At"
        unit="%"
        :value="c.at"
        @change="f.set(`at${c.number}`, $event)"
      />
      <IconButton
        v-if="colours.length > (run === 'free' ? 2 : 1)"
        icon="x-lg"
        class="out"
        :label="`Delete colour ${i + 1}`"
        title="Delete this colour"
        @click="f.remove(c.number)"
      />
    </div>
    <button v-if="run !== 'solid' && colours.length < (run === 'free' ? 6 : 24)" class="plain add" @click="f.add()">
      <i class="bi bi-plus-lg" aria-hidden="true" /> Another colour
    </button>
    <div v-if="run === 'linear' || run === 'conic' || run === 'radial'" class="three">
      <NumberField
        v-if="run !== 'radial'"
        :label="run === 'linear' ? 'Runs towards' : 'Begins at'"
        unit="°"
        :value="angle"
        @change="f.set('fillAngle', $event)"
      />
      <NumberField v-else label="Reach" unit="%" :value="reach" @change="f.set('fillReach', $event)" />
      <template v-if="run !== 'linear'">
        <NumberField label="Right" unit="%" :value="centre[0]" @change="f.set('fillCentre', $event, centre[1])" />
        <NumberField label="Down" unit="%" :value="centre[1]" @change="f.set('fillCentre', centre[0], $event)" />
      </template>
      <template v-if="run === 'radial'">
        <NumberField
          label="Flatness"
          unit="%"
          title="0 is round; more makes it an oval"
          :value="flat"
          @change="f.set('fillFlat', $event)"
        />
        <NumberField
          v-if="flat > 0"
          label="Long towards"
          unit="°"
          :value="angle"
          @change="f.set('fillAngle', $event)"
        />
      </template>
    </div>
    <p v-if="run === 'free'" class="hint">Drag the points in the picture.</p>
  </div>
</template>

<style scoped>
.runs {
  display: grid;
  grid-template-columns: repeat(5, 1fr);
  margin-bottom: 0.5rem;
}

.runs button {
  display: grid;
  justify-items: center;
  gap: 0.15rem;
  padding: 0.25rem 0;
  font-size: 0.76rem;
}

.look {
  width: 30px;
  height: 22px;
  border-radius: 4px;
  background: var(--kelp);
}

.look.linear {
  background: linear-gradient(100deg, var(--kelp), #f0c66a);
}

.look.radial {
  background: radial-gradient(circle, #f0c66a, var(--kelp) 75%);
}

.look.conic {
  background: conic-gradient(from 0.6turn, #f0c66a, var(--kelp), #f0c66a);
}

.look.free {
  background:
    radial-gradient(circle at 15% 20%, #f0c66a, transparent 60%),
    radial-gradient(circle at 90% 80%, var(--buoy), transparent 55%), var(--kelp);
}

.stop {
  display: grid;
  grid-template-columns: 1fr 66px 26px;
  gap: 0.35rem;
  align-items: end;
  margin-bottom: 0.35rem;
}

.stop.placed {
  grid-template-columns: 1fr 26px;
}

.add {
  text-align: left;
  font-size: 0.8rem;
  margin-bottom: 0.3rem;
}
</style>
