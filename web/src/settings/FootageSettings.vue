<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { api } from '../api'
import { agains } from '../gen/catalogue'
import ChoiceField from '../parts/ChoiceField.vue'
import NumberField from '../parts/NumberField.vue'
import { useEditor } from '../stores/editor'
import type { Changed, Layer, Methods, Prop, Running } from '../types'
import TrimBar from './TrimBar.vue'

// How footage runs: which part of it, how fast, and what comes after its end.
const props = defineProps<{ layer: Layer; prop: Prop; runs: Running }>()
const editor = useEditor()
const seconds = computed(() => props.prop.footage?.seconds ?? 0)
const from = computed(() => props.runs.from ?? 0)
const to = computed(() => props.runs.to || seconds.value)

const set = (runs: Changed<Running>) =>
  editor.run({ type: 'setLayer', layer: props.layer.id, set: { cutout: { runs } } })

// What comes of it is worked out by the engine.
const course = ref<Methods['course']['out'] | null>(null)
watch(
  () => [editor.version, editor.frame, props.layer.id],
  async () => {
    const frame = Math.round(editor.frame)
    course.value = await editor.ask('course', { layer: props.layer.id, frame }).catch(() => null)
  },
  { immediate: true }
)
const rounded = (v: number, digits: number) => Number(v.toFixed(digits))
const bar = computed(() => editor.clip?.tempo.perBar ?? 4)

const start = computed(() => editor.view.rows.find((r) => r.layer === props.layer.id)?.start ?? 0)
const frozen = computed(() => props.runs.freeze !== undefined && props.runs.freeze !== null)
const freeze = () => set({ freeze: frozen.value ? null : Math.round(editor.frame) - start.value })

// Its sound is a tune of its own on the shelf; under the clip it begins where the layer does.
const soundID = computed(() => `sound-${props.layer.id}`.slice(0, 64))
const sound = computed(() => editor.clip?.sounds?.find((s) => s.id === soundID.value))
const shelved = ref<Prop | null>(null)
watch(
  () => props.prop.footage?.sound,
  async (hash) => {
    shelved.value = null
    if (!hash) return
    const own = editor.clip?.props.find((p) => p.hash === hash)
    shelved.value = own ?? (await api.props().catch(() => [])).find((s) => s.prop.hash === hash)?.prop ?? null
  },
  { immediate: true }
)
const hear = () => shelved.value && editor.run({ type: 'hearFootage', layer: props.layer.id, prop: shelved.value })
const louder = (gain: number) =>
  sound.value && editor.run({ type: 'setSound', id: soundID.value, sound: { ...sound.value, gain } })
</script>

<template>
  <section class="footage" aria-label="How it runs">
    <h2>How it runs</h2>
    <TrimBar
      :hash="prop.hash"
      :seconds="seconds"
      :from="from"
      :to="to"
      :now="course?.now ?? 0"
      @change="(from, to) => set({ from, to: to >= seconds ? 0 : to })"
    />
    <div class="three">
      <NumberField label="From" unit="s" :value="from" @change="set({ from: rounded($event, 3) })" />
      <NumberField label="To" unit="s" :value="to" @change="set({ to: $event >= seconds ? 0 : rounded($event, 3) })" />
      <NumberField
        label="Speed"
        unit="%"
        :disabled="!!runs.beats"
        :hint="runs.beats ? 'Its beats say how fast it runs' : '10 to 800'"
        :value="runs.beats ? rounded(course?.speed ?? 100, 1) : runs.speed || 100"
        @change="set({ speed: $event })"
      />
    </div>
    <div class="fits" role="group" aria-label="Runs through once in">
      <span>Fit to</span>
      <button
        v-for="bars in [1, 2, 4]"
        :key="bars"
        class="plain"
        :class="{ on: runs.beats === bars * bar }"
        :aria-pressed="runs.beats === bars * bar"
        @click="set({ beats: runs.beats === bars * bar ? 0 : bars * bar })"
      >
        {{ bars }} {{ bars > 1 ? 'bars' : 'bar' }}
      </button>
      <NumberField bare label="Fit to beats" unit="beats" :value="runs.beats ?? 0" @change="set({ beats: $event })" />
    </div>
    <p v-if="course" class="says">
      Once through takes {{ course.lasts.toFixed(2) }} s, {{ rounded(course.beats, 2) }} beats<template
        v-if="Math.abs(course.speed - 100) > 0.5"
      >
        at {{ Math.round(course.speed) }}%</template
      >.
    </p>
    <div class="pair">
      <ChoiceField
        label="After its end"
        :value="runs.again ?? ''"
        :options="agains"
        @change="set({ again: $event as Running['again'] })"
      />
      <NumberField
        v-if="runs.again === 'loop'"
        label="Mixed at the seam"
        unit="s"
        hint="so that the end goes over into the beginning"
        :value="runs.seam ?? 0"
        @change="set({ seam: $event })"
      />
    </div>
    <div class="checks">
      <label class="check">
        <input
          type="checkbox"
          :checked="runs.reverse"
          @change="set({ reverse: ($event.target as HTMLInputElement).checked })"
        />
        backwards
      </label>
      <label class="check" title="Slow motion flows: two pictures are mixed where none was taken">
        <input
          type="checkbox"
          :checked="runs.blended"
          @change="set({ blended: ($event.target as HTMLInputElement).checked })"
        />
        mix pictures in between
      </label>
      <label class="check">
        <input type="checkbox" :checked="frozen" @change="freeze" />
        {{ frozen ? 'stands still from' : 'stand still from here on' }}
        <template v-if="frozen">frame {{ Number(runs.freeze) + start }}</template>
      </label>
    </div>
    <div v-if="shelved || sound" class="sound">
      <label class="check">
        <input
          type="checkbox"
          :checked="!!sound"
          @change="sound ? editor.run({ type: 'setSound', id: soundID, sound: null }) : hear()"
        />
        its sound is heard
      </label>
      <NumberField v-if="sound" bare label="Loudness of its sound" unit="dB" :value="sound.gain" @change="louder" />
    </div>
  </section>
</template>

<style scoped>
.footage {
  margin-top: 0.8rem;
  break-inside: avoid-column;
}

.fits,
.checks,
.sound {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.3rem 0.8rem;
  margin-top: 0.4rem;
  font-size: 0.82rem;
}

.fits {
  gap: 0.3rem;
}

.fits button {
  border: 1px solid var(--line);
  padding: 0.1rem 0.45rem;
}

.fits button.on {
  background: var(--harbour);
  color: var(--chalk);
}

.fits :deep(input),
.sound :deep(input[type='text']) {
  width: 4.6rem;
}

.says {
  margin: 0.3rem 0 0.4rem;
}
</style>
