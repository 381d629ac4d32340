<script setup lang="ts">
import { computed } from 'vue'
import { named } from '../../parts/fields'
import { useEditor } from '../../stores/editor'
import { alignWords } from '../../tabletop/alignWords'
import type { Changed, Layer, Product, Words } from '../../types'
import { useBrands } from '../../stores/brands'
import { productSlot } from '../../words'
import ChoiceField from '../../parts/ChoiceField.vue'
import ColourField from '../../parts/ColourField.vue'
import NumberField from '../../parts/NumberField.vue'
import PassageSettings from '../PassageSettings.vue'
import TextField from '../../parts/TextField.vue'

const props = defineProps<{ layer: Layer; content: Words }>()
const brands = useBrands()
brands.load()
const emit = defineEmits<{ set: [values: Changed<Layer>] }>()
const editor = useEditor()
const row = computed(() => editor.view.rows.find((r) => r.layer === props.layer.id))
const product = computed(() => editor.clip?.products.find((p) => p.id === row.value?.shows))
const fields = computed(() => Object.entries(product.value?.fields ?? {}))
const choices = computed(() => [
  { id: '', name: 'None' },
  { id: productSlot, name: 'The one of its scene' },
  ...(editor.clip?.products ?? [])
])

const set = (values: Changed<Words>) => emit('set', { words: values })

function setProduct(values: Partial<Product>) {
  if (product.value) editor.run({ type: 'setProduct', product: { ...product.value, ...values } })
}

// A field of the product's own; without words it is taken away.
function setField(name: string, says: string) {
  const rest = fields.value.filter(([n]) => n !== name)
  setProduct({ fields: Object.fromEntries(says ? [...rest, [name, says]] : rest) })
}

function addField(name: string) {
  const plain = name
    .trim()
    .toLowerCase()
    .replace(/[^a-z0-9_-]+/g, '-')
  if (plain && !fields.value.some(([n]) => n === plain)) setField(plain, '…')
}
</script>

<template>
  <div>
    <TextField :rows="2" :value="content.text" label="Words" @change="set({ text: $event })" />
    <p class="hint">
      *emphasis* ~struck out~ {name} {price} {old} {percent}
      <template v-for="[name] in fields" :key="name"> {{ `{${name}\}` }}</template>
    </p>
    <p v-if="row?.lacks" class="wrong" role="alert">
      No font here has a letter for “{{ row.lacks }}”; an empty box stands for it.
    </p>
    <p v-if="row?.hasty" class="wrong"><i class="bi bi-hourglass-split" aria-hidden="true" /> {{ row.hasty }}.</p>
    <div class="pair">
      <ChoiceField label="Font" :value="content.font" :options="brands.fonts" @change="set({ font: $event })" />
      <ChoiceField
        label="Emphasis"
        :value="content.emphasisFont ?? ''"
        :options="[{ id: '', name: 'Same font' }, ...brands.fonts]"
        @change="set({ emphasisFont: $event })"
      />
      <ColourField label="Colour" :value="content.fill" @change="set({ fill: $event })" />
      <ColourField label="Emphasis colour" :value="content.emphasisFill" @change="set({ emphasisFill: $event })" />
    </div>
    <details class="spaced">
      <summary>Lines, spacing and plate</summary>
      <div class="three spaced">
        <ChoiceField
          label="Lines stand"
          :value="content.align"
          :options="[
            { id: 'left', name: 'Left' },
            { id: 'centre', name: 'Centre' },
            { id: 'right', name: 'Right' }
          ]"
          @change="alignWords(layer.id, $event)"
        />
        <NumberField label="Break at" :value="content.width" @change="set({ width: $event })" />
        <NumberField
          label="Line spacing"
          unit="%"
          :value="content.lineSpacing"
          @change="set({ lineSpacing: $event })"
        />
        <NumberField
          label="Letters apart"
          unit="%"
          :value="content.letterSpacing"
          @change="set({ letterSpacing: $event })"
        />
        <ChoiceField
          label="Plate"
          :value="content.plate?.kind ?? ''"
          :options="[
            { id: '', name: 'None' },
            { id: 'pill', name: 'Pill' },
            { id: 'card', name: 'Card' },
            { id: 'disc', name: 'Disc' },
            { id: 'burst', name: 'Burst' }
          ]"
          @change="set({ plate: $event ? { fill: '#dd4f28', room: 55, ...content.plate, kind: $event } : null })"
        />
        <NumberField
          label="Outline"
          :value="editor.layer?.values?.outline?.[0] ?? 0"
          :disabled="!!editor.layer?.tracks.outline"
          @change="
            editor.run({
              type: 'setValue',
              layer: editor.selected,
              property: 'outline',
              frame: editor.frame,
              value: [$event]
            })
          "
        />
        <NumberField
          v-if="content.plate"
          label="Room"
          unit="%"
          :value="content.plate.room"
          @change="set({ plate: { ...content.plate, room: $event } })"
        />
        <NumberField
          v-if="content.plate?.kind === 'disc' || content.plate?.kind === 'burst'"
          label="Across"
          unit="%"
          :value="content.plate.size ?? 0"
          hint="So wide whatever is written, in percent of the words’ size; 0 goes by the words"
          @change="set({ plate: { ...content.plate, size: Math.max(0, $event) } })"
        />
      </div>
      <div class="lines">
        <label class="check" title="Lines that break by themselves are about as long as each other">
          <input
            type="checkbox"
            aria-label="Balanced lines"
            :checked="content.balanced ?? false"
            :disabled="!content.width"
            @change="set({ balanced: !content.balanced })"
          />
          Balanced lines
        </label>
        <label class="check" title="Larger letters or smaller ones make each line as wide as “Break at”">
          <input
            type="checkbox"
            aria-label="Each line as wide as the box"
            :checked="content.filling ?? false"
            :disabled="!content.width"
            @change="set({ filling: !content.filling })"
          />
          Each line as wide as the box
        </label>
      </div>
      <ColourField label="Outline colour" :value="content.outline" @change="set({ outline: $event })" />
      <ColourField
        v-if="content.plate"
        label="Plate colour"
        :value="content.plate.fill"
        @change="set({ plate: { ...content.plate, fill: $event } })"
      />
    </details>
    <template v-if="layer.kind !== 'marquee' && !layer.repeat">
      <PassageSettings :layer="layer" :passage="content.comes" />
      <PassageSettings :layer="layer" :passage="content.goes" goes />
    </template>
    <h2>Product</h2>
    <ChoiceField
      bare
      label="Product"
      :value="content.product ?? ''"
      :options="choices"
      @change="set({ product: $event })"
    />
    <div v-if="product" class="three spaced">
      <label>
        Name
        <TextField :value="product.name ?? ''" label="Name" :check="named" @change="setProduct({ name: $event })" />
      </label>
      <label>
        Price, {{ product.currency }}
        <TextField :value="product.price ?? ''" label="Price" @change="setProduct({ price: $event })" />
      </label>
      <label>
        Old price
        <TextField :value="product.oldPrice ?? ''" label="Old price" @change="setProduct({ oldPrice: $event })" />
      </label>
      <label v-for="[name, says] in fields" :key="name">
        {{ name }}
        <TextField :value="says" :label="name" @change="setField(name, $event)" />
      </label>
      <label>
        Another field
        <TextField whole value="" label="Another field" placeholder="weight" @change="addField($event)" />
      </label>
    </div>
  </div>
</template>

<style scoped>
.hint {
  font-size: 0.74rem;
  color: var(--harbour-soft);
  margin: 0.1rem 0 0.4rem;
}

.wrong {
  color: #9c2f10;
  font-size: 0.8rem;
  margin: 0 0 0.4rem;
}

.spaced {
  margin: 0.4rem 0;
}

.lines {
  display: flex;
  flex-wrap: wrap;
  gap: 0.2rem 0.9rem;
  margin: 0.4rem 0;
}

summary {
  font-size: 0.8rem;
  font-weight: 500;
}

label {
  font-size: 0.78rem;
}

input {
  font-size: 0.82rem;
  padding: 0.12rem 0.4rem;
  min-height: 0;
}
</style>
