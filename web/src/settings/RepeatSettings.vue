<script setup lang="ts">
import { computed } from 'vue'
import type { Layer, Repeat } from '../types'
import ChoiceField from '../parts/ChoiceField.vue'
import NumberField from '../parts/NumberField.vue'
import { useEditor } from '../stores/editor'
import { useValues } from './useValues'

// A layer that is shown again and again: in a row that runs on, or in columns and rows.
const props = defineProps<{ layer: Layer }>()
const editor = useEditor()
const { now, all, set } = useValues(() => props.layer)
const repeat = computed(() => props.layer.repeat)

const ways = [
  { id: 'once', name: 'Once' },
  { id: 'row', name: 'In a row' },
  { id: 'stack', name: 'In a column' },
  { id: 'grid', name: 'Columns and rows' }
] as const
type Way = (typeof ways)[number]['id']
const way = computed<Way>(() => {
  const r = repeat.value
  if (!r) return 'once'
  if (r.rows === 1) return 'row'
  return r.columns === 1 ? 'stack' : 'grid'
})

const write = (r: Repeat | null) => editor.run({ type: 'setLayer', layer: props.layer.id, set: { repeat: r } })
const put = (v: Partial<Repeat>) => write({ ...repeat.value, ...v })
function choose(to: Way) {
  if (to === 'once') write(null)
  else put({ rows: to === 'row' ? 1 : 0, columns: to === 'stack' ? 1 : 0 })
}
const gap = computed(() => all('gap', [0, 0]))
const moved = computed(() => all('moved', [0, 0]))
</script>

<template>
  <div>
    <h2>Shown again and again</h2>
    <div class="three">
      <ChoiceField label="Shown" :value="way" :options="ways" @change="choose" />
      <template v-if="repeat">
        <template v-if="way === 'grid'">
          <NumberField
            label="Columns"
            hint="0 is as many as fit"
            :value="repeat.columns ?? 0"
            @change="put({ columns: Math.round($event) })"
          />
          <NumberField
            label="Rows"
            hint="0 is as many as fit"
            :value="repeat.rows ?? 0"
            @change="put({ rows: Math.round($event) })"
          />
        </template>
        <NumberField v-if="way !== 'stack'" label="Gap across" :value="gap[0]" @change="set('gap', $event, gap[1])" />
        <NumberField v-if="way !== 'row'" label="Gap down" :value="gap[1]" @change="set('gap', gap[0], $event)" />
        <NumberField label="All right" :value="moved[0]" @change="set('moved', $event, moved[1])" />
        <NumberField v-if="way !== 'row'" label="All down" :value="moved[1]" @change="set('moved', moved[0], $event)" />
        <NumberField label="Each turned" unit="°" :value="now('eachTurn')" @change="set('eachTurn', $event)" />
        <NumberField label="Each sized" unit="%" :value="now('eachSize', 100)" @change="set('eachSize', $event)" />
        <NumberField
          v-if="way !== 'row'"
          label="Other rows aside"
          unit="%"
          :value="now('aside')"
          @change="set('aside', $event)"
        />
      </template>
    </div>
    <div v-if="repeat" class="pair runs">
      <NumberField
        label="Runs right at"
        hint="Below 0 it runs to the left"
        :value="repeat.speed ?? 0"
        @change="put({ speed: $event })"
      />
      <ChoiceField
        label="Counted in"
        :value="repeat.byBar ? 'bar' : 'second'"
        :options="[
          { id: 'second', name: 'Units a second' },
          { id: 'bar', name: 'Lengths a bar' }
        ]"
        @change="put({ byBar: $event === 'bar', speed: $event === 'bar' ? -1 : -160 })"
      />
      <label v-if="way !== 'row'" class="check">
        <input type="checkbox" :checked="repeat.opposite ?? false" @change="put({ opposite: !repeat.opposite })" />
        Every other row back
      </label>
    </div>
  </div>
</template>

<style scoped>
.runs {
  margin-top: 0.4rem;
  align-items: end;
}
</style>
