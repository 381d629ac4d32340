<script setup lang="ts">
import { computed, type Component } from 'vue'
import { useChoices } from './useChoices'
import { properties } from '../gen/catalogue'
import { named } from '../parts/fields'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'
import type { Changed, Layer, Rest, Reveal } from '../types'
import { blends, kindOf, pins, shapeName, sides } from '../words'
import ChoiceField from '../parts/ChoiceField.vue'
import IconButton from '../parts/IconButton.vue'
import NumberField from '../parts/NumberField.vue'
import GroundSettings from './GroundSettings.vue'
import MaskSettings from './MaskSettings.vue'
import OpenSettings from './OpenSettings.vue'
import RepeatSettings from './RepeatSettings.vue'
import TextField from '../parts/TextField.vue'

const editor = useEditor()
const layer = computed(() => editor.layer)
const leftOut = computed(() => editor.view.rows.find((r) => r.layer === editor.selected)?.leftOut)
const own = computed(() => layer.value?.rests?.[editor.shape])
const atHome = computed(() => editor.shape === editor.home)
const rest = computed<Rest | undefined>(() => own.value ?? layer.value?.rest)

// Each kind has a component of its own, named by the field that holds what it
// shows.
const components = import.meta.glob<{ default: Component }>('./kinds/*Settings.vue', { eager: true })
const kind = computed(() => kindOf(layer.value?.kind))
const settings = computed(() => {
  const field = kind.value?.field ?? ''
  return components[`./kinds/${field.charAt(0).toUpperCase()}${field.slice(1)}Settings.vue`]?.default
})
const content = computed(() => kind.value && layer.value?.[kind.value.field])

const can = (property: string) =>
  properties.some((p) => p.name === property && (p.kinds as readonly string[]).includes(layer.value?.kind ?? ''))
const repeatable = computed(() => can('gap'))
const opens = computed(() => can('open'))

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

// Where a layer lies: in a scene, in a group, or over or beneath all scenes.
const over = '@over'
const beneath = '@beneath'
const choices = useChoices(() => editor.selected)
const places = computed(() => [
  ...choices.value.scenes,
  ...choices.value.groups,
  { id: over, name: 'Over all scenes' },
  { id: beneath, name: 'Beneath all scenes' }
])
const lies = computed(() => {
  if (layer.value?.group) return layer.value.group
  const at = editor.clip?.layers.findIndex((l) => l.id === layer.value?.id) ?? 0
  return (editor.clip?.layers.findIndex((l) => l.kind === 'scene') ?? 0) > at ? beneath : over
})

// pinTo puts the layer inside at an edge or a corner.
async function pinTo(pin: Rest['pin']) {
  try {
    const { x, y } = await editor.ask('pinned', { shape: editor.shape, layer: editor.selected, pin })
    setRest({ pin, x, y })
  } catch (e) {
    useNotices().fail(e)
  }
}

// Words may stand by an edge.
const across = computed(() => {
  const w = layer.value?.words
  return (w?.byEdge && { left: 'Left edge', centre: '', right: 'Right edge' }[w.align]) || 'Right'
})

function lie(to: string) {
  const group = to === over || to === beneath ? '' : to
  editor.run({ type: 'intoGroup', layers: [editor.selected], group, beneath: to === beneath })
}
</script>

<template>
  <p v-if="!layer" class="nothing">
    Choose a layer in the picture or on the Beatline to see its settings, or bring in a cut-out under Props.
  </p>
  <div v-else>
    <div class="head">
      <TextField :value="layer.name" label="Name of the layer" :check="named" @change="set({ name: $event })" />
      <IconButton icon="copy" title="Copy" label="Copy the layer" @click="editor.copyLayer(layer.id)" />
      <IconButton
        icon="trash3"
        title="Delete"
        label="Delete the layer"
        @click="(editor.run({ type: 'removeLayer', layer: layer.id }), editor.select(''))"
      />
    </div>
    <p v-if="leftOut" class="leftout" role="status">Not shown: the product does without what this speaks of.</p>
    <component :is="settings" v-if="settings && content" :layer="layer" :content="content" @set="set" />
    <OpenSettings v-if="opens" :layer="layer" />
    <template v-if="rest && !kind?.fills">
      <h2>
        Where it stands in {{ shapeName(editor.shape) }}
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
        <ChoiceField label="Pinned to" :value="rest.pin" :options="pins" @change="pinTo" />
        <NumberField :label="across" :value="rest.x" @change="setRest({ x: $event })" />
        <NumberField label="Down" :value="rest.y" @change="setRest({ y: $event })" />
        <NumberField label="Size" :value="rest.size" @change="setRest({ size: $event })" />
        <NumberField label="Turn" unit="°" :value="rest.turn" @change="setRest({ turn: $event })" />
        <label class="show">
          <input type="checkbox" :checked="!rest.away" @change="setRest({ away: rest?.away ? false : true })" /> Shown
          here
        </label>
      </div>
      <div class="three spaced">
        <ChoiceField label="Lies in" :value="lies" :options="places" @change="lie($event)" />
        <label class="note">
          Row note
          <TextField :value="layer.label ?? ''" label="Row note" maxlength="60" @change="set({ label: $event })" />
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
      <RepeatSettings v-if="repeatable" :layer="layer" />
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
      <GroundSettings :layer="layer" />
    </template>
    <MaskSettings :layer="layer" />
  </div>
</template>

<style scoped>
.leftout {
  margin: 0.3rem 0 0;
  font-size: 0.8rem;
  color: var(--harbour-soft);
}

.nothing {
  column-span: all;
  max-width: 42ch;
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
