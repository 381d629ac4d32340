<script setup lang="ts">
import { computed, ref } from 'vue'
import { alignments, useActs } from '../editor/useActs'
import { useEditor } from '../stores/editor'
import type { Ease } from '../types'
import ChoiceField from '../parts/ChoiceField.vue'
import IconButton from '../parts/IconButton.vue'
import NumberField from '../parts/NumberField.vue'

// What can be done with several layers at once.
const editor = useEditor()
const { align, group } = useActs()
const lines = computed(() => alignments.filter((a) => editor.chosen.length > 2 || !/across|down/.test(a.how)))
const by = ref(4)
const unit = ref('frames')
const order = ref('stack')
const ease = ref<Ease['kind']>('linear')

const fresh = (prefix: string) => `${prefix}-${Date.now().toString(36)}`

async function lineup(window: boolean) {
  const id = fresh('lineup')
  await editor.run({ type: 'makeLineup', layers: editor.chosen, id, window }, id)
}

// The first begins on the beat at the playhead, or on the next one.
const beats = ref(4)
function spread() {
  const beat = editor.view.beats.find((b) => b.frame >= editor.frame)?.beat
  if (beat === undefined) return
  editor.run({ type: 'spreadOut', layers: editor.chosen, beat, beats: beats.value, order: order.value })
}

function stagger() {
  const beats = unit.value === 'beats'
  editor.run({
    type: 'stagger',
    layers: editor.chosen,
    by: beats ? 0 : Math.round(by.value),
    beats: beats ? by.value : 0,
    order: order.value,
    ease: { kind: ease.value }
  })
}
</script>

<template>
  <div class="together">
    <h2>{{ editor.chosen.length }} layers together</h2>
    <div class="acts">
      <button class="plain" title="Ctrl G" @click="group"><i class="bi bi-collection" /> Group</button>
      <button class="plain" title="They take turns on one stage" @click="lineup(false)">
        <i class="bi bi-people" /> Line-up
      </button>
      <button class="plain" title="They pass behind a round hole in a card" @click="lineup(true)">
        <i class="bi bi-record-circle" /> Behind a window
      </button>
    </div>
    <div class="lines" role="group" aria-label="Bring them into line">
      <IconButton
        v-for="a in lines"
        :key="a.how"
        :icon="a.icon"
        :label="a.says"
        :title="a.says"
        :data-align="a.how"
        @click="align(a.how)"
      />
    </div>
    <div class="four">
      <NumberField label="Offset" :value="by" @change="by = Math.max(0, $event)" />
      <ChoiceField
        label="Counted in"
        :value="unit"
        :options="[
          { id: 'frames', name: 'Frames' },
          { id: 'beats', name: 'Beats' }
        ]"
        @change="((unit = $event), (by = $event === 'beats' ? 0.5 : 4))"
      />
      <ChoiceField
        label="Order"
        :value="order"
        :options="[
          { id: 'stack', name: 'Front to back' },
          { id: 'reverse', name: 'Back to front' },
          { id: 'centre', name: 'Middle first' },
          { id: 'across', name: 'Left to right' },
          { id: 'down', name: 'Top to bottom' }
        ]"
        @change="order = $event"
      />
      <ChoiceField
        label="Spread"
        :value="ease"
        :options="[
          { id: 'linear', name: 'Evenly' },
          { id: 'in', name: 'Quicker at first' },
          { id: 'out', name: 'Slower at first' },
          { id: 'inOut', name: 'Slower between' }
        ]"
        @change="ease = $event"
      />
    </div>
    <div class="spread">
      <button class="plain act" title="From the beat at the playhead on; they are bound to their beats" @click="spread">
        <i class="bi bi-music-note-beamed" /> Spread over the next
      </button>
      <NumberField bare label="Beats to spread over" :value="beats" @change="beats = Math.max(0.25, $event)" />
      beats
    </div>
    <button class="plain act" @click="stagger">
      <i class="bi bi-bar-chart-steps" /> Stagger {{ editor.chosen.length }} layers
    </button>
  </div>
</template>

<style scoped>
.together {
  border-bottom: 1px solid var(--line);
  padding-bottom: 0.5rem;
  margin-bottom: 0.6rem;
}

.acts {
  display: grid;
  grid-template-columns: auto auto 1fr;
  gap: 0.25rem;
  margin-bottom: 0.4rem;
}

.spread {
  display: grid;
  grid-template-columns: 1fr 3.4rem auto;
  gap: 0.35rem;
  align-items: center;
  margin-bottom: 0.3rem;
  font-size: 0.8rem;
}

.lines {
  display: flex;
  margin-bottom: 0.4rem;
}

.lines button {
  flex: 1;
}

.acts button,
.act {
  border: 1px solid var(--line);
  font-size: 0.8rem;
  white-space: nowrap;
}

.act {
  width: 100%;
  margin-top: 0.4rem;
}

.four {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.35rem 0.5rem;
}
</style>
