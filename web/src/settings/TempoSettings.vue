<script setup lang="ts">
import { shallowRef, watch } from 'vue'
import { useTaps } from '../player/useTaps'
import { useEditor } from '../stores/editor'
import type { Command, OtherCount, Sound, Tempo } from '../types'
import NumberField from '../parts/NumberField.vue'

// The clip's beats, how sure they were heard, and what corrects them where they were found
// wrongly. Clicks on the beats, while it plays, tell.
const { tempo, heard = undefined } = defineProps<{ tempo: Tempo; heard?: Sound }>()
const editor = useEditor()
const { taps, enough, tap, forget, count } = useTaps()

const set = (how: Omit<Extract<Command, { type: 'setTempo' }>, 'type'>) => editor.run({ type: 'setTempo', ...how })

// Nothing that is heard is wholly sure.
const percent = (share = 0) => `${Math.min(99, Math.round(share * 100))}%`
const bpm = (t: Tempo) => t.bpm.toFixed(1)

const others = shallowRef<OtherCount[]>([])
watch(
  () => editor.version,
  async () => {
    others.value = await editor.ask('otherCounts', null).catch(() => [])
  },
  { immediate: true }
)
</script>

<template>
  <div>
    <p v-if="heard && !heard.steady" class="hint">
      No steady beat was heard in it: time counts in seconds, and beats are an even {{ bpm(tempo) }} unless you tap
      along.
    </p>
    <p v-else-if="heard?.sure?.tempo" class="hint">
      Heard: {{ bpm(heard.tempo) }} with {{ heard.tempo.perBar }} in a bar{{
        heard.tempo.metres?.length ? ', which changes' : ''
      }}. It is {{ percent(heard.sure.tempo) }} sure of the beat, {{ percent(heard.sure.bars) }} of the bars.
    </p>
    <div class="pair">
      <NumberField late label="Tempo, beats a minute" :value="tempo.bpm" @change="set({ bpm: $event })" />
      <NumberField late label="Beats in a bar" :value="tempo.perBar" @change="set({ perBar: Math.round($event) })" />
    </div>
    <p class="acts">
      <button class="plain" title="Every other beat; keys stay where they are" @click="set({ times: 0.5 })">
        <i class="bi bi-dash-lg" aria-hidden="true" /> Half the beats
      </button>
      <button class="plain" title="A beat between every two; keys stay where they are" @click="set({ times: 2 })">
        <i class="bi bi-plus-lg" aria-hidden="true" /> Twice the beats
      </button>
      <slot>
        <button class="plain" title="A bar begins at the playhead" @click="set({ barAt: editor.frame })">
          <i class="bi bi-flag" aria-hidden="true" /> A bar begins here
        </button>
        <button class="plain" title="While it plays, once on each beat, for a bar or two (Q)" @pointerdown="tap">
          <i class="bi bi-hand-index" aria-hidden="true" /> Tap along
        </button>
      </slot>
    </p>
    <p v-if="taps.length" class="acts taps" role="status">
      <span>{{ taps.length === 1 ? 'One tap' : `${taps.length} taps` }}{{ enough ? '' : ' of four' }}</span>
      <button v-if="enough" class="plain" title="The count that goes with them" @click="count">
        <i class="bi bi-check2" aria-hidden="true" /> Count by them
      </button>
      <button class="plain" @click="forget"><i class="bi bi-x-lg" aria-hidden="true" /> Forget them</button>
    </p>
    <p v-if="others.length" class="acts">
      <span>Or count it as</span>
      <button
        v-for="o in others"
        :key="o.other"
        class="plain"
        title="Keys stay where they are"
        @click="set({ other: o.other })"
      >
        <i class="bi bi-arrow-return-right" aria-hidden="true" /> {{ o.says }}
      </button>
    </p>
  </div>
</template>

<style scoped>
.pair {
  margin-top: 0.5rem;
}

.acts {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  margin: 0.2rem 0 0;
  font-size: 0.78rem;
}

.taps span {
  font-weight: 600;
}

.hint {
  margin: 0.4rem 0 0;
  color: var(--harbour-soft);
  font-size: 0.78rem;
}
</style>
