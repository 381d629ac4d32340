<script setup lang="ts">
import { computed, ref } from 'vue'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'
import type { Command, Light, Product, Tune } from '../types'
import { shapeName, shapeRatio, standardShapes } from '../words'
import ChoiceField from './ChoiceField.vue'
import ColourField from './ColourField.vue'
import LightDial from './LightDial.vue'
import LightKey from './LightKey.vue'
import MarksSettings from './MarksSettings.vue'
import NumberField from './NumberField.vue'
import TempoSettings from './TempoSettings.vue'
import TextField from './TextField.vue'

const editor = useEditor()
const clip = computed(() => editor.clip)
const tune = computed(() => editor.tune)
const tuneProp = computed(() => clip.value?.props.find((p) => p.id === tune.value?.prop))

// Where the light has keys, the key at the playhead is changed, or a new one made.
function light(set: Partial<Light>) {
  const keyed = (['direction', 'height'] as const).filter(
    (p) => set[p] !== undefined && clip.value?.light.tracks?.[p]?.length
  )
  const rest = Object.fromEntries(Object.entries(set).filter(([k]) => !keyed.includes(k as 'height')))
  editor.runAll([
    ...keyed.map((property): Command => ({
      type: 'setValue',
      layer: '@light',
      property,
      frame: editor.frame,
      value: [set[property] as number]
    })),
    ...(Object.keys(rest).length ? [{ type: 'setLight' as const, set: rest }] : [])
  ])
}

function setTune(values: Partial<Tune>) {
  if (tune.value) editor.run({ type: 'setTune', tune: { ...tune.value, ...values } })
}

const lengthField = ref<InstanceType<typeof TextField> | null>(null)
async function length(text: string) {
  try {
    await editor.run({ type: 'setClip', length: await editor.ask('time', text) })
  } catch (e) {
    useNotices().fail(e)
  }
  lengthField.value?.show()
}

function toggleShape(id: string) {
  const now = clip.value?.shapes ?? []
  const has = now.some((s) => s.id === id)
  const { w, h } = standardShapes.find((s) => s.id === id) ?? standardShapes[0]
  const shapes = has ? now.filter((s) => s.id !== id) : [...now, { id, w, h }]
  editor.run({ type: 'setClip', shapes })
}

function setProduct(p: Product, values: Partial<Product>) {
  editor.run({ type: 'setProduct', product: { ...p, ...values } })
}

function addProduct() {
  const id = `product-${Date.now().toString(36)}`
  editor.run({
    type: 'setProduct',
    product: { id, name: 'New product', price: '10.00', oldPrice: '', currency: 'EUR' }
  })
}
</script>

<template>
  <div v-if="clip">
    <h2>Light</h2>
    <div class="light">
      <LightDial :direction="clip.light.direction" :height="clip.light.height" @change="light" />
      <div class="pair">
        <NumberField label="Direction" unit="°" :value="clip.light.direction" @change="light({ direction: $event })" />
        <NumberField label="Height" unit="°" :value="clip.light.height" @change="light({ height: $event })" />
        <NumberField label="Softness" unit="%" :value="clip.light.softness" @change="light({ softness: $event })" />
        <NumberField label="Strength" unit="%" :value="clip.light.strength" @change="light({ strength: $event })" />
      </div>
    </div>
    <div class="lightkeys">
      <LightKey property="direction" />
      <LightKey property="height" />
    </div>
    <ColourField label="Colour of the shadows" :value="clip.light.colour" @change="light({ colour: $event })" />
    <h2>Frame</h2>
    <div class="pair">
      <label>
        Length
        <TextField ref="lengthField" :value="editor.view.timecode" label="Length of the clip" @change="length" />
      </label>
      <ChoiceField
        label="Frames a second"
        :value="String(clip.rate)"
        :options="[24, 25, 30, 50, 60].map((r) => ({ id: String(r), name: String(r) }))"
        @change="editor.run({ type: 'setClip', rate: Number($event) })"
      />
    </div>
    <div class="shapes">
      <label v-for="s in standardShapes" :key="s.id">
        <input
          type="checkbox"
          :checked="clip.shapes.some((x) => x.id === s.id)"
          :disabled="clip.shapes[0].id === s.id"
          @change="toggleShape(s.id)"
        />
        {{ shapeName(s.id) }} {{ shapeRatio(s.id) }}
      </label>
    </div>
    <ChoiceField
      v-if="clip.products.length"
      label="Product of scenes without their own"
      :value="clip.shown ?? ''"
      :options="[{ id: '', name: 'None' }, ...clip.products]"
      @change="editor.run({ type: 'setClip', shown: $event })"
    />
    <button class="plain poster" @click="editor.run({ type: 'setClip', poster: editor.frame })">
      <i class="bi bi-image" aria-hidden="true" /> Make this frame the poster frame
    </button>
    <MarksSettings />
    <h2>Tune</h2>
    <p v-if="!tune" class="hint">No tune yet. Bring one in under Props.</p>
    <template v-else>
      <p class="tune">
        <strong>{{ tuneProp?.name }}</strong>
        <button class="plain" @click="editor.run({ type: 'setTune', tune: null })">Take it away</button>
      </p>
      <div class="pair">
        <NumberField label="Begins at, seconds" :value="tune.start" :step="0.1" @change="setTune({ start: $event })" />
        <NumberField label="Loudness" unit="dB" :value="tune.gain" @change="setTune({ gain: $event })" />
        <NumberField label="Fade in, frames" :value="tune.fadeIn" @change="setTune({ fadeIn: Math.round($event) })" />
        <NumberField
          label="Fade out, frames"
          :value="tune.fadeOut"
          @change="setTune({ fadeOut: Math.round($event) })"
        />
      </div>
    </template>
    <TempoSettings :tempo="clip.tempo" />
    <h2>Range</h2>
    <p v-if="!clip.products.length" class="hint">Products with their prices; badges and words show them.</p>
    <div v-for="p in clip.products" :key="p.id" class="three product">
      <TextField :value="p.name ?? ''" label="Product" @change="setProduct(p, { name: $event })" />
      <TextField :value="p.price ?? ''" :label="`Price of ${p.name}`" @change="setProduct(p, { price: $event })" />
      <TextField
        :value="p.oldPrice ?? ''"
        :label="`Old price of ${p.name}`"
        placeholder="old price"
        @change="setProduct(p, { oldPrice: $event })"
      />
    </div>
    <ChoiceField
      v-if="clip.products.length"
      label="Product of scenes without their own"
      :value="clip.shown ?? ''"
      :options="[{ id: '', name: 'None' }, ...clip.products]"
      @change="editor.run({ type: 'setClip', shown: $event })"
    />
    <button class="plain poster" @click="addProduct">
      <i class="bi bi-plus-lg" aria-hidden="true" /> Add a product
    </button>
  </div>
</template>

<style scoped>
.light {
  display: grid;
  grid-template-columns: 92px 1fr;
  gap: 0.6rem;
  margin-bottom: 0.4rem;
}

.lightkeys {
  display: grid;
  grid-template-columns: 1fr 1fr;
  margin-bottom: 0.3rem;
}

.shapes {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.1rem;
  margin-top: 0.5rem;
}

label,
.hint {
  font-size: 0.78rem;
}

.hint {
  color: var(--harbour-soft);
  margin: 0;
}

input.form-control {
  font-size: 0.82rem;
  padding: 0.12rem 0.4rem;
  min-height: 0;
}

.poster {
  font-size: 0.8rem;
  margin-top: 0.3rem;
  padding-left: 0;
}

.tune {
  display: flex;
  justify-content: space-between;
  margin: 0 0 0.2rem;
}

.product {
  margin-bottom: 0.3rem;
}
</style>
