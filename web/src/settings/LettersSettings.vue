<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { fontFeatures } from '../gen/catalogue'
import { useEditor } from '../stores/editor'
import type { Changed, FontAsked, Layer, Words } from '../types'
import ColourField from '../parts/ColourField.vue'
import NumberField from '../parts/NumberField.vue'
import { useValues } from './useValues'

// What the letters are like: where they are on a variable font's axes, what else the font
// can do, and their outline.
const props = defineProps<{ layer: Layer; content: Words }>()
const emit = defineEmits<{ set: [values: Changed<Words>] }>()
const editor = useEditor()
const { now, set: setValue } = useValues(() => props.layer)

const facts = ref<FontAsked>({ axes: [], features: [], had: true })
watch(
  () => props.content.font,
  async (font) => {
    const answer = await editor.ask('fontFacts', { font })
    if (font === props.content.font) facts.value = answer
  },
  { immediate: true }
)

const axes = computed(() =>
  facts.value.axes.map((a) => {
    const own = props.content.axes?.find((o) => o.tag === a.tag)
    return { ...a, at: own ? now(`axis${own.id}`, own.at) : a.usual }
  })
)
const setAxis = (tag: string, at: number) =>
  editor.run({ type: 'setAxis', layer: props.layer.id, tag, at, frame: editor.frame })

// Some are on unless they are named with a minus; all others are off. Kerning may be in a font
// in an older way.
const features = computed(() =>
  fontFeatures
    .filter((f) => f.id === 'kern' || facts.value.features.includes(f.id))
    .map((f) => {
      const own = props.content.features ?? []
      return { ...f, usual: f.on, on: f.on ? !own.includes(`-${f.id}`) : own.includes(f.id) }
    })
)
function setFeature({ id, usual }: { id: string; usual: boolean }, on: boolean) {
  const rest = (props.content.features ?? []).filter((f) => f !== id && f !== `-${id}`)
  emit('set', { features: on === usual ? rest : [...rest, usual ? `-${id}` : id] })
}
</script>

<template>
  <div>
    <div class="three">
      <NumberField
        label="Letters apart"
        unit="%"
        :value="content.letterSpacing"
        @change="emit('set', { letterSpacing: $event })"
      />
      <NumberField
        v-for="a in axes"
        :key="a.tag"
        :label="a.name"
        :value="Math.round(a.at * 10) / 10"
        :hint="`From ${a.least} to ${a.most}; it can have keys`"
        @change="setAxis(a.tag, Math.min(a.most, Math.max(a.least, $event)))"
      />
      <NumberField label="Outline" :value="now('outline')" @change="setValue('outline', $event)" />
    </div>
    <ColourField label="Outline colour" :value="content.outline" @change="emit('set', { outline: $event })" />
    <div class="checks">
      <label
        v-if="now('outline') > 0"
        class="check"
        title="The outline lies behind all letters, so that it does not make them thinner"
      >
        <input
          type="checkbox"
          aria-label="Outline behind the letters"
          :checked="content.behind ?? false"
          @change="emit('set', { behind: !content.behind })"
        />
        Outline behind the letters
      </label>
      <label
        class="check"
        title="Quotation marks, points and hyphens stand out beyond the edge, which looks straight then"
      >
        <input
          type="checkbox"
          aria-label="Quotation marks hang out"
          :checked="content.optical ?? false"
          @change="emit('set', { optical: !content.optical })"
        />
        Quotation marks hang out
      </label>
      <label v-for="f in features" :key="f.id" class="check" :title="f.says">
        <input
          type="checkbox"
          :aria-label="f.name"
          :checked="f.on"
          @change="setFeature(f, ($event.target as HTMLInputElement).checked)"
        />
        {{ f.name }}
      </label>
    </div>
  </div>
</template>

<style scoped>
.checks {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.2rem 0.6rem;
  margin: 0.4rem 0;
}

label {
  font-size: 0.78rem;
}
</style>
