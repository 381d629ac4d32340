<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { passageEdges, passageOrders, passageParts, passages } from '../gen/catalogue'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'
import { useResting } from '../tabletop/useResting'
import type { Changed, Command, Layer, Passage, Words } from '../types'
import { easings } from '../words'
import ChoiceField from '../parts/ChoiceField.vue'
import ColourField from '../parts/ColourField.vue'
import EaseField from '../parts/EaseField.vue'
import IconButton from '../parts/IconButton.vue'
import NumberField from '../parts/NumberField.vue'
import TextField from '../parts/TextField.vue'

// How words come into sight part by part, or go: a ready way, of which all can be changed.
// While the pointer rests on one, or the keyboard is on it, the words do it in the picture.
const props = defineProps<{ layer: Layer; passage?: Passage | null; goes?: boolean }>()
const editor = useEditor()

const field = computed(() => (props.goes ? 'goes' : 'comes'))
const command = (passage: Passage | null): Command => ({
  type: 'setLayer',
  layer: props.layer.id,
  set: { words: { [field.value]: passage } as Changed<Words> }
})
// instead puts a passage in the place of another one, of which nothing stays.
const instead = (passage: Passage): Command => ({ type: 'batch', commands: [command(null), command(passage)] })
const draft = (kind: string) =>
  editor.ask('draftPassage', { layer: props.layer.id, kind, goes: !!props.goes, frame: editor.frame })

const { point, rest, leave, play } = useResting<string>(async (kind, wanted) => {
  const d = await draft(kind)
  if (wanted()) await play(instead(d.passage), d.from, d.to)
})

async function take(kind: string) {
  leave()
  try {
    await editor.run(instead((await draft(kind)).passage))
  } catch (e) {
    useNotices().fail(e)
  }
}

// begin lets the first part come, or go, where the playhead is.
async function begin() {
  await editor.run(command((await draft('')).passage))
}

// The ready way that it was made from, as long as it is like it.
const way = ref('')
watch(
  () => props.passage,
  async (passage) =>
    (way.value = passage ? await editor.ask('wayOf', { passage, goes: !!props.goes }).catch(() => '') : ''),
  { immediate: true }
)

const set = (values: Partial<Passage>) => props.passage && editor.run(command({ ...props.passage, ...values }))
const afar = (values: Partial<Passage['afar']>) => props.passage && set({ afar: { ...props.passage.afar, ...values } })
const numbers = [
  { id: 'x', label: 'From right', unit: '%' },
  { id: 'y', label: 'From below', unit: '%' },
  { id: 'size', label: 'Size', unit: '%' },
  { id: 'turn', label: 'Turn', unit: '°' },
  { id: 'skew', label: 'Lean', unit: '°' },
  { id: 'blur', label: 'Blur', unit: '%' },
  { id: 'apart', label: 'Spread', unit: '%' },
  { id: 'opacity', label: 'Opacity', unit: '%' }
] as const
</script>

<template>
  <div :aria-label="goes ? 'How they go' : 'How they come'" role="group">
    <h2>
      {{ goes ? 'They go' : 'They come' }}
      <IconButton
        v-if="passage"
        icon="x-lg"
        :label="goes ? 'They stay to the end' : 'They are there at once'"
        @click="editor.run(command(null))"
      />
    </h2>
    <div class="ways" @pointerleave="leave">
      <button
        v-for="k in passages"
        :key="k.id"
        class="plain"
        :class="{ on: way === k.id }"
        :aria-pressed="way === k.id"
        :title="k.says"
        :data-way="k.id"
        @pointermove="point($event, k.id)"
        @pointerleave="leave"
        @focus="rest(k.id)"
        @blur="leave"
        @click="take(k.id)"
      >
        {{ k.name }}
      </button>
    </div>
    <template v-if="passage">
      <div class="pair">
        <ChoiceField label="Parts" :value="passage.by" :options="passageParts" @change="set({ by: $event })" />
        <ChoiceField
          label="Order"
          :value="passage.order ?? ''"
          :options="passageOrders"
          @change="set({ order: $event })"
        />
      </div>
      <div class="three">
        <NumberField label="Each takes" unit="f" :value="passage.each" @change="set({ each: Math.round($event) })" />
        <NumberField
          v-if="!passage.beats"
          label="All begin in"
          unit="f"
          hint="Frames from the first part’s beginning to the last one’s"
          :value="passage.over ?? 0"
          @change="set({ over: Math.round($event) })"
        />
        <NumberField
          label="Beats apart"
          :step="0.5"
          hint="From one part’s beginning to the next one’s; 0 counts in frames"
          :value="passage.beats ?? 0"
          @change="set({ beats: $event })"
        />
      </div>
      <div class="three">
        <NumberField
          v-for="n in numbers"
          :key="n.id"
          :label="n.label"
          :unit="n.unit"
          :value="passage.afar[n.id] ?? 0"
          @change="afar({ [n.id]: $event })"
        />
      </div>
      <ChoiceField label="Edge" :value="passage.edge ?? ''" :options="passageEdges" @change="set({ edge: $event })" />
      <div v-if="passage.edge" class="pair">
        <ChoiceField
          label="The edge"
          :value="passage.wiped ? 'wipes' : 'hides'"
          :options="[
            { id: 'hides', name: 'Hides what slides in' },
            { id: 'wipes', name: 'Uncovers it' }
          ]"
          @change="set({ wiped: $event === 'wipes' })"
        />
        <NumberField
          v-if="passage.wiped"
          label="Soft"
          unit="%"
          :value="passage.soft ?? 0"
          @change="set({ soft: $event })"
        />
      </div>
      <ColourField
        v-if="passage.afar.colour"
        label="From colour"
        :value="passage.afar.colour"
        @change="afar({ colour: $event })"
      />
      <div class="checks">
        <label class="check">
          <input
            type="checkbox"
            :checked="!!passage.afar.colour"
            @change="afar({ colour: passage.afar.colour ? null : '#f0c040' })"
          />
          Another colour
        </label>
        <label class="check">
          <input type="checkbox" :checked="passage.drawn ?? false" @change="set({ drawn: !passage.drawn })" />
          Outline first
        </label>
        <label class="check">
          <input type="checkbox" :checked="passage.caret ?? false" @change="set({ caret: !passage.caret })" />
          Caret
        </label>
        <label v-if="!goes" class="check" title="Numbers count up from nothing; the words come whole">
          <input type="checkbox" :checked="passage.counts ?? false" @change="set({ counts: !passage.counts })" />
          Count numbers
        </label>
        <label class="check" title="Other letters flicker in the place of each until it has come">
          <input
            type="checkbox"
            :checked="passage.scrambles ?? false"
            @change="set({ scrambles: !passage.scrambles })"
          />
          Other letters first
        </label>
        <label
          v-if="!goes && passage.counts"
          class="check"
          title="Each digit of the last number turns to what it will be"
        >
          <input type="checkbox" :checked="passage.rolls ?? false" @change="set({ rolls: !passage.rolls })" />
          Digits roll
        </label>
        <button class="plain" @click="begin"><i class="bi bi-geo" aria-hidden="true" /> Begin at the playhead</button>
      </div>
      <label v-if="!goes && passage.counts" class="from">
        Counts from
        <TextField
          whole
          label="Counts from"
          placeholder="0, or {old}"
          :value="passage.countsFrom ?? ''"
          @change="set({ countsFrom: $event })"
        />
      </label>
      <span class="says">How each moves</span>
      <EaseField :ease="passage.ease" :kinds="easings" @change="set({ ease: $event })" />
    </template>
  </div>
</template>

<style scoped>
h2 {
  display: flex;
  align-items: center;
  justify-content: space-between;
}

.ways {
  display: grid;
  grid-template-columns: repeat(4, 1fr);
  gap: 0.15rem;
  font-size: 0.78rem;
  margin-bottom: 0.4rem;
}

.ways button {
  text-align: left;
}

.from {
  display: grid;
  max-width: 10rem;
  font-size: 0.78rem;
}

.says {
  font-size: 0.78rem;
}

.checks {
  display: flex;
  flex-wrap: wrap;
  gap: 0.2rem 0.9rem;
  align-items: center;
  font-size: 0.78rem;
  margin: 0.4rem 0;
}
</style>
