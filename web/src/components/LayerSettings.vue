<script setup lang="ts">
import { computed } from 'vue'
import { useChoices } from '../composables/useChoices'
import { useEditor } from '../stores/editor'
import type { Changed, Layer, Rest, Reveal } from '../types'
import { blends, pins, shapeName, sides } from '../words'
import BackdropSettings from './BackdropSettings.vue'
import CardSettings from './CardSettings.vue'
import ChoiceField from './ChoiceField.vue'
import CutoutSettings from './CutoutSettings.vue'
import IconButton from './IconButton.vue'
import NumberField from './NumberField.vue'
import TextField from './TextField.vue'
import WordsSettings from './WordsSettings.vue'

const editor = useEditor()
const layer = computed(() => editor.layer)
const own = computed(() => layer.value?.rests?.[editor.shape])
const atHome = computed(() => editor.shape === editor.home)
const rest = computed<Rest | undefined>(() => own.value ?? layer.value?.rest)

const reveals = [
  { id: '', name: 'Below' },
  ...sides.slice(0, 4).flatMap((s) => [
    { id: s.id, name: s.name },
    { id: `${s.id}+`, name: `${s.name}, slides` }
  ])
]

function set(values: Changed<Layer>) {
  editor.run({ type: 'setLayer', layer: editor.selected, set: values })
}

function setRest(values: Partial<Rest>) {
  editor.run({ type: 'setRest', layer: editor.selected, shape: editor.shape, set: values })
}

const choices = useChoices(() => editor.selected)
const groups = computed(() => [{ id: '', name: 'None' }, ...choices.value.groups])
</script>

<template>
  <p v-if="!layer" class="nothing">
    Choose a layer in the picture or on the Beatline to see its settings, or bring in a cut-out under Props.
  </p>
  <div v-else>
    <div class="head">
      <TextField :value="layer.name" label="Name of the layer" @change="set({ name: $event })" />
      <IconButton
        icon="copy"
        title="Copy"
        label="Copy the layer"
        @click="
          editor.run({ type: 'copyLayer', layer: layer.id, id: `${layer.id.slice(0, 40)}-${Date.now() % 100000}` })
        "
      />
      <IconButton
        icon="trash3"
        title="Delete"
        label="Delete the layer"
        @click="(editor.run({ type: 'removeLayer', layer: layer.id }), editor.select(''))"
      />
    </div>
    <WordsSettings v-if="layer.words" :words="layer.words" @set="set" />
    <BackdropSettings v-if="layer.backdrop" :backdrop="layer.backdrop" @set="set" />
    <CardSettings v-if="layer.card" :card="layer.card" @set="set" />
    <CutoutSettings v-if="layer.cutout" :layer="layer" :cutout="layer.cutout" @set="set" />
    <template v-if="rest && !layer.backdrop">
      <h2>
        Rest in {{ shapeName(editor.shape) }}
        <small v-if="!atHome && !own">as in {{ shapeName(editor.home) }}</small>
        <button
          v-if="own"
          class="plain same"
          @click="editor.run({ type: 'clearRest', layer: layer.id, shape: editor.shape })"
        >
          Same as the others
        </button>
      </h2>
      <div class="three">
        <ChoiceField
          label="Pinned to"
          :value="rest.pin"
          :options="pins"
          @change="setRest({ pin: $event, x: 0, y: 0 })"
        />
        <NumberField label="Right" :value="rest.x" @change="setRest({ x: $event })" />
        <NumberField label="Down" :value="rest.y" @change="setRest({ y: $event })" />
        <NumberField label="Size" :value="rest.size" @change="setRest({ size: $event })" />
        <NumberField label="Turn" unit="°" :value="rest.turn" @change="setRest({ turn: $event })" />
        <label class="show">
          <input type="checkbox" :checked="!rest.away" @change="setRest({ away: rest?.away ? false : true })" /> Shown
          here
        </label>
      </div>
      <div class="three spaced">
        <ChoiceField
          label="In the group"
          :value="layer.group ?? ''"
          :options="groups"
          @change="editor.run({ type: 'intoGroup', layers: [layer.id], group: $event })"
        />
        <label class="note">
          Label
          <TextField :value="layer.label ?? ''" label="Label" maxlength="60" @change="set({ label: $event })" />
        </label>
        <ChoiceField
          label="Reveal from"
          :value="layer.reveal ? layer.reveal.side + (layer.reveal.slide ? '+' : '') : ''"
          :options="reveals"
          @change="
            set({
              reveal: $event ? { side: $event.replace('+', '') as Reveal['side'], slide: $event.endsWith('+') } : null
            })
          "
        />
      </div>
      <h2>Shadow and mix</h2>
      <div class="three">
        <NumberField label="Lift" :value="layer.lift" @change="set({ lift: $event })" />
        <ChoiceField
          label="Shadow"
          :value="layer.shadow?.none ? 'none' : layer.shadow ? 'own' : 'light'"
          :options="[
            { id: 'light', name: 'Light' },
            { id: 'own', name: 'Own' },
            { id: 'none', name: 'None' }
          ]"
          @change="
            set({
              shadow:
                $event === 'light'
                  ? null
                  : { none: $event === 'none', direction: 145, distance: 30, softness: 14, strength: 40 }
            })
          "
        />
        <ChoiceField label="Blend" :value="layer.blend" :options="blends" @change="set({ blend: $event })" />
      </div>
      <div v-if="layer.shadow && !layer.shadow.none" class="pair own">
        <NumberField
          label="Falls towards"
          unit="°"
          :value="layer.shadow.direction"
          @change="set({ shadow: { ...layer.shadow, direction: $event } })"
        />
        <NumberField
          label="Distance"
          :value="layer.shadow.distance"
          @change="set({ shadow: { ...layer.shadow, distance: $event } })"
        />
        <NumberField
          label="Softness"
          :value="layer.shadow.softness"
          @change="set({ shadow: { ...layer.shadow, softness: $event } })"
        />
        <NumberField
          label="Strength"
          unit="%"
          :value="layer.shadow.strength"
          @change="set({ shadow: { ...layer.shadow, strength: $event } })"
        />
      </div>
    </template>
  </div>
</template>

<style scoped>
.nothing {
  color: var(--harbour-soft);
}

.head {
  display: flex;
  gap: 0.2rem;
  margin-bottom: 0.6rem;
}

.head input {
  font-weight: 700;
}

h2 small {
  font-weight: 400;
  font-family: 'Hanken Grotesk';
  color: var(--harbour-soft);
}

.same {
  font: 500 0.78rem 'Hanken Grotesk';
  text-decoration: underline;
}

.spaced {
  margin-top: 0.4rem;
}

.note {
  font-size: 0.78rem;
}

.note input {
  font-size: 0.82rem;
  padding: 0.12rem 0.4rem;
  min-height: 0;
}

.show {
  font-size: 0.78rem;
  padding-bottom: 0.25rem;
}

.own {
  margin-top: 0.4rem;
}
</style>
