<script setup lang="ts">
import { computed, onBeforeUnmount, watch } from 'vue'
import { hexOf, numbersOf } from '../parts/colour'
import ColourField from '../parts/ColourField.vue'
import NumberField from '../parts/NumberField.vue'
import { useDesk } from '../stores/desk'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'
import type { Command, Layer } from '../types'
import { useValues } from './useValues'

// What is taken out of a picture or of footage: the colour of a screen, what is dark, what is
// bright. How opaque the rest is can be looked at.
const props = defineProps<{ layer: Layer }>()
const editor = useEditor()
const desk = useDesk()
const { now, all, set } = useValues(() => props.layer)

const coloured = computed(() => now('chromaKey') > 0 || !!props.layer.tracks.chromaKey)
const lit = computed(() => now('keyDark') > 0 || now('keyBright', 100) < 100)
const key = computed(() => hexOf([...all('keyColour', [0, 177, 64, 255])]))

// The colour is proposed from the picture's own border, where a screen shows.
async function begin() {
  const { shape, frame } = editor
  const layer = props.layer.id
  const commands: Command[] = [{ type: 'setValue', layer, property: 'chromaKey', frame, value: [100] }]
  if (!props.layer.values?.keyColour) {
    const found = await editor
      .drawing()
      .engines[0].call('screenColour', { shape, frame, layer })
      .catch(useNotices().fail)
    if (found) commands.push({ type: 'setValue', layer, property: 'keyColour', frame, value: numbersOf(found, 255) })
  }
  await editor.runAll(commands)
}

const matte = computed(() => desk.matte === props.layer.id)
watch(
  () => props.layer.id,
  () => (desk.matte = desk.keying = '')
)
onBeforeUnmount(() => (desk.matte = desk.keying = ''))
const fields = [
  {
    name: 'keyTolerance',
    label: 'Tolerance',
    unit: '%',
    usual: 20,
    says: 'How far from the colour still counts as it'
  },
  {
    name: 'keySoftness',
    label: 'Softness',
    unit: '%',
    usual: 70,
    says: 'Over how much more it goes over into what stays'
  },
  { name: 'keyEdge', label: 'Edge', unit: '', usual: 0, says: 'Moves the edge outwards; below 0 inwards' },
  { name: 'keyDespill', label: 'Despill', unit: '%', usual: 100, says: 'Takes the colour out of what it shone on' }
]
</script>

<template>
  <details class="keying" :open="coloured || lit">
    <summary>Take out <small>a screen’s colour, the dark, the bright</small></summary>
    <div class="ways">
      <label class="check">
        <input type="checkbox" :checked="coloured" @change="coloured ? set('chromaKey', 0) : begin()" />
        a colour
      </label>
      <label class="check" title="As the night around a flame">
        <input type="checkbox" :checked="now('keyDark') > 0" @change="set('keyDark', now('keyDark') > 0 ? 0 : 12)" />
        the dark
      </label>
      <label class="check" title="As the paper under a pen">
        <input
          type="checkbox"
          :checked="now('keyBright', 100) < 100"
          @change="set('keyBright', now('keyBright', 100) < 100 ? 100 : 85)"
        />
        the bright
      </label>
      <button
        v-if="coloured || lit"
        class="plain look"
        :class="{ on: matte }"
        :aria-pressed="matte"
        title="White stays, black goes; only for looking at it"
        @click="desk.matte = matte ? '' : layer.id"
      >
        <i class="bi bi-mask" aria-hidden="true" /> Show the matte
      </button>
    </div>
    <template v-if="coloured">
      <div class="colour">
        <ColourField label="Key colour" :value="key" @change="set('keyColour', ...numbersOf($event, 255))" />
        <button class="plain look" :class="{ on: desk.keying === layer.id }" @click="desk.keying = layer.id">
          <i class="bi bi-eyedropper" aria-hidden="true" /> Pick in the picture
        </button>
      </div>
      <div class="four">
        <NumberField
          v-for="f in fields"
          :key="f.name"
          :label="f.label"
          :unit="f.unit || undefined"
          :title="f.says"
          :value="now(f.name, f.usual)"
          @change="set(f.name, $event)"
        />
      </div>
    </template>
    <div v-if="lit" class="four">
      <NumberField
        v-if="now('keyDark') > 0"
        label="Darker than"
        unit="%"
        :value="now('keyDark')"
        @change="set('keyDark', $event)"
      />
      <NumberField
        v-if="now('keyBright', 100) < 100"
        label="Brighter than"
        unit="%"
        :value="now('keyBright', 100)"
        @change="set('keyBright', $event)"
      />
      <NumberField label="Softness" unit="%" :value="now('keyLightSoft', 30)" @change="set('keyLightSoft', $event)" />
    </div>
  </details>
</template>

<style scoped>
.keying {
  margin-top: 0.8rem;
  break-inside: avoid-column;
}

.ways,
.colour {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.3rem 0.8rem;
  font-size: 0.82rem;
}

.colour {
  align-items: end;
  margin: 0.4rem 0;
}

.look {
  padding: 0.15rem 0.5rem;
  border: 1px solid var(--line);
}

.look.on {
  background: var(--harbour);
  color: var(--chalk);
}

.four {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(74px, 1fr));
  gap: 0.4rem 0.5rem;
  margin-top: 0.3rem;
}
</style>
