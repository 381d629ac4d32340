<script setup lang="ts">
import { computed } from 'vue'
import { figures } from '../../gen/catalogue'
import { useEditor } from '../../stores/editor'
import { useNotices } from '../../stores/notices'
import type { Card, Changed, Hole, Layer, Pen } from '../../types'
import ChoiceField from '../../parts/ChoiceField.vue'
import ColourField from '../../parts/ColourField.vue'
import FigureLook from '../../parts/FigureLook.vue'
import NumberField from '../../parts/NumberField.vue'
import FillSettings from '../FillSettings.vue'
import LinesSettings from '../LinesSettings.vue'
import PropertyFields from '../PropertyFields.vue'
import { useValues } from '../useValues'

const props = defineProps<{ layer: Layer; content: Card }>()
const emit = defineEmits<{ set: [values: Changed<Layer>] }>()
const editor = useEditor()

const set = (v: Partial<Card>) => emit('set', { card: v })
const setHole = (v: Partial<Hole>) => emit('set', { card: { hole: { ...props.content.hole, ...v } } })
const setPen = (v: Partial<Pen>) => emit('set', { card: { pen: { ...props.content.pen, ...v } } })

// A second dash and gap that take turns with the first; none are left out.
const then = computed(() => props.content.pen?.then ?? [0, 0])
function setThen(i: number, units: number) {
  const all = then.value.map((v, k) => (k === i ? units : v || props.content.pen?.[k % 2 ? 'gap' : 'dash'] || 0))
  setPen({ then: units > 0 ? all : [] })
}

const { now, set: value } = useValues(() => props.layer)
const corners = computed(() => editor.places.values.corners ?? [0, 0, 0, 0])

// becomePath gives the figure the points of its outline, as they are at the playhead.
async function becomePath() {
  const path = await editor.ask('asPath', { shape: editor.shape, frame: editor.frame, layer: props.layer.id })
  await editor.run({ type: 'becomePath', layer: props.layer.id, path })
}

// changeInto lets it become another figure on the way to the playhead.
async function changeInto(form: string) {
  const at = { shape: editor.shape, frame: editor.frame, layer: props.layer.id }
  const both = await editor.ask('match', { ...at, form })
  await editor.run({ type: 'changeInto', layer: at.layer, frame: at.frame, ...both })
}
const becomes = figures.filter((f) => ['card', 'disc', 'polygon', 'star', 'burst', 'arrow'].includes(f.id))

const usual: Record<string, number> = { polygon: 6, star: 5, burst: 18 }
// A line alone has no inside to be filled.
const open = computed(
  () => props.content.form === 'line' || (props.content.form === 'path' && !props.content.path?.closed)
)
const outlined = computed(() => open.value || now('outline', 0) > 0)
const inner: Record<string, string> = {
  ring: 'Hole',
  star: 'Inner corners',
  arrow: 'Shaft',
  tag: 'Cut corners',
  ticket: 'Bite',
  ribbon: 'Notch'
}
const places = ['Upper left', 'Upper right', 'Lower right', 'Lower left']
</script>

<template>
  <div>
    <h2>Figure</h2>
    <div class="forms" role="radiogroup" aria-label="Form">
      <button
        v-for="f in figures.filter((f) => f.id !== 'path' || content.path || !content.fills)"
        :key="f.id"
        class="plain"
        role="radio"
        :aria-checked="content.form === f.id"
        :class="{ on: content.form === f.id }"
        :aria-label="f.name"
        :title="
          f.id === 'path' && !content.path
            ? 'Path: make its outline a path, whose points can be moved'
            : `${f.name}: ${f.says.charAt(0).toLowerCase()}${f.says.slice(1)}`
        "
        @click="f.id === 'path' && !content.path ? becomePath() : set({ form: f.id })"
      >
        <FigureLook :form="f.id" />
      </button>
    </div>
    <div class="three">
      <NumberField
        v-if="!content.fills"
        label="Wide by high"
        :step="0.1"
        :value="content.aspect"
        @change="set({ aspect: $event })"
      />
      <NumberField
        v-if="content.form in usual"
        label="Points"
        :value="content.points || usual[content.form]"
        @change="set({ points: Math.round($event) })"
      />
      <NumberField
        v-if="content.form in inner"
        :label="inner[content.form]"
        unit="%"
        :value="now('inner', 50)"
        @change="value('inner', $event)"
      />
      <template v-if="content.form === 'ring'">
        <NumberField label="Begins at" unit="°" :value="now('begin', 0)" @change="value('begin', $event)" />
        <NumberField label="Goes on by" unit="°" :value="now('sweep', 360)" @change="value('sweep', $event)" />
      </template>
      <NumberField
        v-if="!['disc', 'burst', 'line'].includes(content.form)"
        label="Corners"
        :value="now('corner', 0)"
        @change="value('corner', $event)"
      />
      <NumberField
        v-if="!open"
        label="Edge"
        hint="Units by which its edge lies further out; below 0 further in"
        :value="now('offset', 0)"
        @change="value('offset', $event)"
      />
      <label v-if="content.form === 'path' && content.path" class="check">
        <input
          type="checkbox"
          :checked="content.path.closed ?? false"
          @change="emit('set', { card: { path: { ...content.path, closed: !content.path.closed } } })"
        />
        Joined
      </label>
      <label v-if="content.form === 'path' && !open" class="check" title="Where it lies over itself, it is open">
        <input type="checkbox" :checked="content.hollow ?? false" @change="set({ hollow: !content.hollow })" />
        Hollow
      </label>
      <label v-if="!open" class="check"
        ><input type="checkbox" :checked="content.fills ?? false" @change="set({ fills: !content.fills })" />
        Fills</label
      >
      <label v-if="!open" class="check">
        <input
          type="checkbox"
          :checked="!!content.hole"
          @change="
            emit('set', {
              card: { hole: content.hole ? null : { form: 'disc', x: 0, y: 0, size: 300, aspect: 1, corner: 24 } }
            })
          "
        />
        Window
      </label>
    </div>
    <details v-if="content.form === 'card'" class="spaced">
      <summary>Each corner</summary>
      <div class="pair">
        <NumberField
          v-for="(p, i) in places"
          :key="p"
          :label="p"
          :value="corners[i]"
          @change="value('corners', ...corners.map((c, k) => (k === i ? $event : c)))"
        />
      </div>
    </details>
    <FillSettings v-if="!open" class="spaced" :layer="layer" :fill="content.gradient" :plain="content.fill" />
    <div v-if="!open && !content.fills" class="becomes spaced" role="group" aria-label="Changes into">
      <span title="A beat before the playhead it begins to change; at the playhead it is the other">Changes into</span>
      <button
        v-for="f in becomes"
        :key="f.id"
        class="plain"
        :aria-label="`Changes into a ${f.name.toLowerCase()} by the playhead`"
        :title="`By the playhead it has become a ${f.name.toLowerCase()}; it begins to change a beat before`"
        @click="changeInto(f.id).catch(useNotices().fail)"
      >
        <FigureLook :form="f.id" />
      </button>
    </div>
    <details :open="now('wave') > 0" class="spaced">
      <summary>Waves <small>along its edge</small></summary>
      <div class="three">
        <PropertyFields
          :layer="layer"
          :names="['wave', 'waveLength', 'waveShift']"
          :labels="{ wave: ['Height'], waveLength: ['Length'], waveShift: ['Moved on'] }"
        />
      </div>
    </details>
    <h2>Outline</h2>
    <div class="pair">
      <NumberField label="Width" :value="now('outline', 0)" @change="value('outline', $event)" />
      <ColourField v-if="outlined" label="Outline colour" :value="content.outline" @change="set({ outline: $event })" />
    </div>
    <div v-if="outlined" class="pair lines">
      <ChoiceField
        label="Line ends"
        :value="content.pen?.cap || 'round'"
        :options="[
          { id: 'round', name: 'Round' },
          { id: 'butt', name: 'Cut off' },
          { id: 'square', name: 'Square' }
        ]"
        @change="setPen({ cap: $event })"
      />
      <ChoiceField
        label="Line corners"
        :value="content.pen?.join || 'round'"
        :options="[
          { id: 'round', name: 'Round' },
          { id: 'miter', name: 'Pointed' },
          { id: 'bevel', name: 'Cut off' }
        ]"
        @change="setPen({ join: $event })"
      />
      <NumberField label="Dash" :value="content.pen?.dash ?? 0" @change="setPen({ dash: $event })" />
      <NumberField label="Gap" :value="content.pen?.gap ?? 0" @change="setPen({ gap: $event })" />
      <template v-if="content.pen?.dash && content.pen?.gap">
        <NumberField label="Then dash" :value="then[0]" @change="setThen(0, $event)" />
        <NumberField label="Then gap" :value="then[1]" @change="setThen(1, $event)" />
      </template>
    </div>
    <LinesSettings v-if="!content.fills" :layer="layer" :lines="content.lines ?? []" />
    <template v-if="content.hole && content.form !== 'line'">
      <h2>Window</h2>
      <div class="three">
        <ChoiceField
          label="Form"
          :value="content.hole.form"
          :options="[
            { id: 'disc', name: 'Round' },
            { id: 'card', name: 'Square' }
          ]"
          @change="setHole({ form: $event })"
        />
        <NumberField label="Width" :value="content.hole.size" @change="setHole({ size: $event })" />
        <NumberField
          label="Wide by high"
          :step="0.1"
          :value="content.hole.aspect"
          @change="setHole({ aspect: $event })"
        />
      </div>
    </template>
  </div>
</template>

<style scoped>
.lines {
  margin-top: 0.4rem;
}

.spaced {
  margin-top: 0.5rem;
}

.forms {
  display: grid;
  grid-template-columns: repeat(9, 1fr);
  margin-bottom: 0.4rem;
}

.becomes {
  display: flex;
  align-items: center;
  gap: 0.15rem;
  font-size: 0.78rem;
}

.becomes span {
  flex: 1;
  white-space: nowrap;
}

.becomes button {
  display: grid;
  place-items: center;
  width: 30px;
  height: 26px;
  padding: 0;
}

.forms button {
  display: grid;
  place-items: center;
  height: 30px;
  padding: 0;
}
</style>
