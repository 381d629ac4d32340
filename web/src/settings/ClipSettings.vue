<script setup lang="ts">
import { computed, ref } from 'vue'
import { languages } from '../gen/catalogue'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'
import type { Command, Light, PastEnd, Tune } from '../types'
import { listed, shapeName, shapeRatio, standardShapes, timecode } from '../words'
import ChoiceField from '../parts/ChoiceField.vue'
import ColourField from '../parts/ColourField.vue'
import GainHere from './GainHere.vue'
import LightDial from '../tabletop/LightDial.vue'
import LightKey from './LightKey.vue'
import MarksSettings from './MarksSettings.vue'
import MatchingSettings from './MatchingSettings.vue'
import NumberField from '../parts/NumberField.vue'
import LoudnessSettings from './LoudnessSettings.vue'
import SoundSettings from './SoundSettings.vue'
import { useSounds } from './useSounds'
import TempoSettings from './TempoSettings.vue'
import TimeField from '../parts/TimeField.vue'

const editor = useEditor()
const clip = computed(() => editor.clip)
const tune = computed(() => editor.tune)
const { track } = useSounds()
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

const lengthField = ref<InstanceType<typeof TimeField> | null>(null)
// A length past which something lies, until it is said what becomes of that.
const shorter = ref<{ length: number; past: PastEnd } | null>(null)

async function length(text: string) {
  shorter.value = null
  try {
    const length = await editor.ask('time', text)
    const past = await editor.ask('pastEnd', length)
    if (past.keys || past.layers.length || past.scenes.length) shorter.value = { length, past }
    else await editor.run({ type: 'setClip', length })
  } catch (e) {
    useNotices().fail(e)
  }
  lengthField.value?.show()
}

const liesPast = computed(() => {
  const past = shorter.value?.past
  if (!past) return ''
  const keys = past.keys ? [past.keys === 1 ? '1 key' : `${past.keys} keys`] : []
  const what = [...past.scenes.map((s) => `the scene “${s}”`), ...keys]
  const of = past.layers.length ? ` of ${listed(past.layers)}` : ''
  return `${listed(what) || 'The beginning'}${of}`
})

async function shorten(past: 'bring' | 'cut') {
  const length = shorter.value?.length
  shorter.value = null
  if (length) await editor.run({ type: 'setClip', length, past })
}

function toggleShape(id: string) {
  const now = clip.value?.shapes ?? []
  const has = now.some((s) => s.id === id)
  const { w, h } = standardShapes.find((s) => s.id === id) ?? standardShapes[0]
  const shapes = has ? now.filter((s) => s.id !== id) : [...now, { id, w, h }]
  editor.run({ type: 'setClip', shapes })
}

const stock = computed(() => {
  const n = clip.value?.products.length ?? 0
  return n === 1 ? '1 product' : `${n || 'No'} products`
})
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
    <MatchingSettings />
    <h2>Frame</h2>
    <div class="pair">
      <label>
        Length
        <TimeField
          ref="lengthField"
          :value="editor.view.timecode"
          label="Length of the clip"
          :read="(text) => editor.ask('readLength', text)"
          @change="length"
        />
      </label>
      <ChoiceField
        label="Frames a second"
        :value="String(clip.rate)"
        :options="[24, 25, 30, 50, 60].map((r) => ({ id: String(r), name: String(r) }))"
        @change="editor.run({ type: 'setClip', rate: Number($event) })"
      />
    </div>
    <div v-if="shorter" class="shorter" role="alertdialog" aria-label="What lies past the new end">
      <p>{{ liesPast }} would lie past {{ timecode(shorter.length, clip.rate) }}.</p>
      <button v-if="!shorter.past.scenes.length" class="plain" @click="shorten('bring')">
        Bring it before the end
      </button>
      <button class="plain" @click="shorten('cut')">Cut it off</button>
      <button class="plain" @click="shorter = null">Stay at {{ editor.view.timecode }}</button>
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
        <NumberField
          v-if="!track('tune')?.parts?.length"
          label="Begins at, seconds"
          :value="tune.start"
          :step="0.1"
          @change="setTune({ start: $event })"
        />
        <NumberField label="Loudness" unit="dB" :value="tune.gain" @change="setTune({ gain: $event })" />
        <NumberField label="Fade in, frames" :value="tune.fadeIn" @change="setTune({ fadeIn: Math.round($event) })" />
        <NumberField
          label="Fade out, frames"
          :value="tune.fadeOut"
          @change="setTune({ fadeOut: Math.round($event) })"
        />
      </div>
      <GainHere v-if="editor.view.tune" :sound="editor.view.tune" />
      <p class="hint">
        Its sections, a cut on bars and its fades are in the
        <RouterLink :to="`/clips/${editor.id}/sound`">Sound view</RouterLink>.
      </p>
    </template>
    <SoundSettings />
    <LoudnessSettings v-if="clip.sounds?.length" :loudness="clip.loudness ?? 0" />
    <TempoSettings :tempo="clip.tempo" :heard="tuneProp?.sound ?? undefined" />
    <h2>Range</h2>
    <p class="hint">
      <RouterLink :to="`/clips/${editor.id}/range`">{{ stock }}</RouterLink>
      that words, badges and cut-outs show.
    </p>
    <ChoiceField
      v-if="clip.products.length"
      label="Language of texts and prices"
      :value="clip.language || 'en'"
      :options="languages"
      @change="editor.run({ type: 'setClip', language: $event })"
    />
    <ChoiceField
      v-if="clip.products.length"
      label="Product shown, also by scenes without their own"
      :value="clip.shown ?? ''"
      :options="[{ id: '', name: 'None' }, ...clip.products]"
      @change="editor.run({ type: 'setClip', shown: $event })"
    />
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

.shorter {
  margin: 0.4rem 0;
  padding: 0.45rem 0.55rem;
  border-radius: 6px;
  background: #f6e7c8;
  font-size: 0.8rem;
}

.shorter p {
  margin: 0 0 0.25rem;
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
</style>
