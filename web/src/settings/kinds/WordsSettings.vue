<script setup lang="ts">
import { computed } from 'vue'
import { named } from '../../parts/fields'
import { moneyFields } from '../../gen/catalogue'
import { useEditor } from '../../stores/editor'
import type { Changed, Layer, Product, Words } from '../../types'
import { useBrands } from '../../stores/brands'
import { useNotices } from '../../stores/notices'
import { useOwnFonts } from '../../stores/ownFonts'
import { productSlot } from '../../words'
import ChoiceField from '../../parts/ChoiceField.vue'
import ColourField from '../../parts/ColourField.vue'
import FieldMenu from '../FieldMenu.vue'
import FillSettings from '../FillSettings.vue'
import FontField from '../../parts/FontField.vue'
import BoxSettings from '../BoxSettings.vue'
import LettersSettings from '../LettersSettings.vue'
import ReadableSettings from '../ReadableSettings.vue'
import MoneySettings from '../MoneySettings.vue'
import PlateSettings from '../PlateSettings.vue'
import PassageSettings from '../PassageSettings.vue'
import TextField from '../../parts/TextField.vue'

const props = defineProps<{ layer: Layer; content: Words }>()
const brands = useBrands()
brands.load()
const emit = defineEmits<{ set: [values: Changed<Layer>] }>()
const editor = useEditor()
const row = computed(() => editor.view.rows.find((r) => r.layer === props.layer.id))
const unfilled = computed(() => (row.value?.unfilled ?? []).map((f) => `{${f}}`).join(', '))
const product = computed(() => editor.clip?.products.find((p) => p.id === row.value?.shows))
// What a field that is put in would show.
const offered = computed(() => {
  const speaks = row.value?.speaks === productSlot ? editor.clip?.shown : row.value?.speaks
  return product.value ?? editor.clip?.products.find((p) => p.id === speaks)
})
// The product's own fields, and empty those that the words ask for and it does not have.
const fields = computed(() => {
  const has = product.value?.fields ?? {}
  const asked = (row.value?.unfilled ?? []).filter((n) => !(n in has))
  return [...Object.entries(has), ...asked.map((n): [string, string] => [n, ''])]
})
const choices = computed(() => [
  { id: '', name: 'None' },
  { id: productSlot, name: 'The one of its scene or clip' },
  ...(editor.clip?.products ?? [])
])

const money = computed(() => moneyFields.some((f) => props.content.text.includes(`{${f}}`)))
// Words with a field show a product: the one that was chosen, or whichever speaks here.
function put(field: string) {
  const { text } = props.content
  set({ text: `${text}${/\s$|^$/.test(text) ? '' : ' '}{${field}}`, product: row.value?.speaks || productSlot })
}

const set = (values: Changed<Words>) => emit('set', { words: values })

// A person's own font comes into the clip with the words that are set in it.
const own = useOwnFonts()
own.load()
const setFont = (field: 'font' | 'emphasisFont', id: string) =>
  editor.runAll([...own.first(id), { type: 'setLayer', layer: props.layer.id, set: { words: { [field]: id } } }])
// A picture is shown in the words by a group that is cut to them.
const pictures = computed(() => (editor.clip?.props ?? []).filter((p) => p.picture))
function fillWith(prop: string) {
  const place = editor.placeOf(props.layer.id)
  if (!prop || !place) return
  const id = `filled-${Date.now() % 100000}`
  editor.run({
    type: 'fillWords',
    layer: props.layer.id,
    prop,
    id,
    picture: `${id}-picture`,
    w: place.own[0],
    h: place.own[1]
  })
}
const chosenFont = computed(() => own.find(props.content.font))
async function bringFont(field: 'font' | 'emphasisFont', event: Event) {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  if (!file) return
  try {
    const prop = await own.bring(file)
    if (!prop.font) return useNotices().say(`${prop.name} is no font; it is on the shelf now.`, 'problem')
    await setFont(field, prop.id)
    useNotices().say(`${prop.name} is kept on the shelf. Its maker says: ${own.says(prop)}.`)
  } catch (e) {
    useNotices().fail(e)
  }
}

function setProduct(values: Partial<Product>) {
  if (product.value) editor.run({ type: 'setProduct', product: { ...product.value, ...values } })
}

// A field of the product's own; without words it is taken away.
function setField(name: string, says: string) {
  const rest = fields.value.filter(([n, text]) => n !== name && text)
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
      *emphasis* ~struck out~
      <FieldMenu :product="offered" @put="put" />
    </p>
    <MoneySettings v-if="money" :money="content.money" @set="set({ money: $event })" />
    <p v-for="d in row?.doubts" :key="d" class="wrong" role="alert">
      <i class="bi bi-exclamation-triangle" aria-hidden="true" /> {{ d }}.
    </p>
    <p v-if="unfilled" class="wrong" role="alert">
      Nothing says what {{ unfilled }} is:
      {{ product ? 'say it below, under Product' : 'choose a product that has it' }}, or write \{ where a brace is
      meant.
    </p>
    <p v-if="row?.lacks" class="wrong" role="alert">
      No font here has a letter for “{{ row.lacks }}”; an empty box stands for it.
    </p>
    <p v-if="row?.hasty" class="wrong"><i class="bi bi-hourglass-split" aria-hidden="true" /> {{ row.hasty }}.</p>
    <div class="pair">
      <FontField label="Font" :value="content.font" :options="brands.fonts" @change="setFont('font', $event)">
        <template #default="{ close }">
          <label class="plain bring">
            <i class="bi bi-plus-lg" aria-hidden="true" /> Bring in a font
            <input
              type="file"
              class="visually-hidden"
              aria-label="Font to bring in"
              accept=".ttf,.otf,.woff2"
              @change="(bringFont('font', $event), close())"
            />
          </label>
        </template>
      </FontField>
      <FontField
        label="Emphasis"
        :value="content.emphasisFont ?? ''"
        :options="[{ id: '', name: 'Same font' }, ...brands.fonts]"
        @change="setFont('emphasisFont', $event)"
      />
    </div>
    <p v-if="chosenFont" class="hint">{{ chosenFont.name }}: {{ own.says(chosenFont) }}.</p>
    <FillSettings class="spaced" :layer="layer" :fill="content.gradient" :plain="content.fill" />
    <ChoiceField
      v-if="!layer.repeat && layer.kind !== 'marquee' && pictures.length"
      class="spaced"
      label="Show a picture in them"
      value=""
      :options="[{ id: '', name: 'None' }, ...pictures]"
      @change="fillWith"
    />
    <ColourField
      label="Emphasis colour"
      emphasis
      :value="content.emphasisFill"
      @change="set({ emphasisFill: $event })"
    />
    <ReadableSettings v-if="!layer.repeat && layer.kind !== 'marquee'" :layer="layer" :content="content" @set="set" />
    <details class="spaced">
      <summary>Letters <small>font’s own forms, outline</small></summary>
      <LettersSettings class="spaced" :layer="layer" :content="content" @set="set" />
    </details>
    <details class="spaced">
      <summary>Lines <small>box, arch, path</small></summary>
      <BoxSettings class="spaced" :layer="layer" :content="content" @set="set" />
    </details>
    <details class="spaced" :open="!!content.plate">
      <summary>Plate</summary>
      <PlateSettings class="spaced" :plate="content.plate" :passes="!!(content.comes || content.goes)" @set="set" />
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

.bring {
  display: inline-block;
  margin-top: 0.3rem;
  padding: 0.15rem 0.4rem;
  cursor: pointer;
}

.bring:focus-within {
  outline: 2px solid var(--kelp);
}

.wrong {
  color: #9c2f10;
  font-size: 0.8rem;
  margin: 0 0 0.4rem;
}

.spaced {
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
