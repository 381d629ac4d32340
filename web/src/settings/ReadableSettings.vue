<script setup lang="ts">
import { computed, ref, toRaw, watch } from 'vue'
import { useBrands } from '../stores/brands'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'
import type { Changed, Layer, Readable, Words } from '../types'
import { timecode } from '../words'

// Whether words can be read on what is behind them, over the whole time, and what helps.
const props = defineProps<{ layer: Layer; content: Words }>()
const emit = defineEmits<{ set: [values: Changed<Words>] }>()
const editor = useEditor()
const brands = useBrands()
const found = ref<Readable | null>(null)
const asked = ref(false)

async function measure() {
  const id = props.layer.id
  asked.value = true
  try {
    const brand = brands.colours.map((c) => c.colour)
    const painter = editor.drawing().engines.at(-1) // that of the proofs, so that the picture need not wait
    if (!painter) return
    const answer = await painter.call('readable', {
      layer: id,
      shape: editor.shape,
      brand,
      clip: toRaw(editor.clip) ?? undefined
    })
    if (id === props.layer.id) found.value = answer
  } catch (e) {
    asked.value = false
    found.value = null
    useNotices().fail(e)
  }
}

// Once asked for, it is measured anew when the clip is another.
watch(
  () => props.layer.id,
  () => {
    asked.value = false
    found.value = null
  }
)
watch(
  () => [editor.clip, editor.shape],
  () => asked.value && measure()
)

const one = (v: number) => (Math.floor(v * 10) / 10).toFixed(1)
const least = computed(
  () =>
    found.value && (found.value.emphasis ? Math.min(found.value.contrast, found.value.emphasis) : found.value.contrast)
)
const good = computed(() => !!found.value && (least.value ?? 0) >= found.value.wanted)
const says = computed(() => {
  const f = found.value
  if (!f) return ''
  if (good.value) return `Contrast ${one(least.value ?? 0)} at least, of ${one(f.wanted)} that these letters need.`
  const whose = f.contrast >= f.wanted ? ' of emphasised letters' : ''
  return `Hard to read: contrast${whose} is ${one(least.value ?? 0)} where it is least; these letters need ${one(f.wanted)}.`
})

const plate = (fill: string) => emit('set', { plate: { kind: 'card', fill, room: 35 } })
// Where only emphasised letters cannot be read, they get the colour.
const target = computed(() =>
  found.value && found.value.contrast >= found.value.wanted && !good.value ? 'emphasisFill' : 'fill'
)
function shade() {
  const f = found.value
  if (!f?.shade) return
  editor.run({
    type: 'shadeWords',
    layer: props.layer.id,
    id: `shade-${Date.now() % 100000}`,
    colour: f.shade.colour,
    opacity: f.shade.opacity,
    w: f.w,
    h: f.h
  })
}
</script>

<template>
  <div class="readable">
    <button v-if="!found" class="plain ask" @click="measure">
      <i class="bi bi-eyeglasses" aria-hidden="true" /> Can it be read?
    </button>
    <template v-else>
      <p :class="{ wrong: !good }" role="status">
        <i :class="good ? 'bi bi-check-lg' : 'bi bi-exclamation-triangle'" aria-hidden="true" /> {{ says }}
        <button v-if="!good" class="plain" title="Go to where contrast is least" @click="editor.go(found.frame)">
          at {{ timecode(found.frame, editor.clip?.rate ?? 30) }}
        </button>
      </p>
      <div v-if="found.proposals.length" class="colours" role="group" aria-label="Colours that can be read">
        <button
          v-for="p in found.proposals"
          :key="p.colour"
          class="plain dot"
          :aria-label="`Words in ${p.colour}, contrast ${one(p.contrast)}`"
          :title="`${p.brand ? 'The brand’s; ' : ''}contrast ${one(p.contrast)} over the whole time`"
          @click="emit('set', { [target]: p.colour })"
        >
          <span :style="{ background: p.colour }" aria-hidden="true" />{{ one(p.contrast) }}
        </button>
        <span>can be read all the time</span>
      </div>
      <p v-else>No colour can be read all the time on what is behind these words.</p>
      <div v-if="!good" class="helps">
        <button v-if="!content.plate" class="plain" title="A card behind the words" @click="plate(found.plate)">
          <i class="bi bi-square-fill" aria-hidden="true" /> Plate
        </button>
        <button
          v-if="found.shade"
          class="plain"
          title="A soft veil behind the words, no stronger than they need it"
          @click="shade"
        >
          <i class="bi bi-cloud-haze2" aria-hidden="true" /> Shade, {{ found.shade.opacity }}%
        </button>
      </div>
    </template>
  </div>
</template>

<style scoped>
.readable {
  margin: 0.3rem 0 0.5rem;
  font-size: 0.78rem;
}

p {
  margin: 0 0 0.25rem;
}

.wrong {
  color: #9c2f10;
}

.colours,
.helps {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.35rem;
}

.dot {
  display: flex;
  align-items: center;
  gap: 0.25rem;
  padding: 0.1rem 0.25rem;
}

.dot span {
  width: 1.3rem;
  height: 1.3rem;
  border: 1px solid var(--line);
  border-radius: 50%;
}
</style>
