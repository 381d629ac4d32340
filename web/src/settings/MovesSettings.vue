<script setup lang="ts">
import { computed, ref } from 'vue'
import { usePlayhead } from '../player/usePlayhead'
import { useEditor } from '../stores/editor'
import type { Moment, Move } from '../types'
import { moveKinds, moveName, timecode } from '../words'
import ChoiceField from '../parts/ChoiceField.vue'
import HitsSettings from './HitsSettings.vue'
import IconButton from '../parts/IconButton.vue'
import MoveKinds from './MoveKinds.vue'
import MoveSound from './MoveSound.vue'
import NumberField from '../parts/NumberField.vue'

// Moves write ordinary keys. Those that a layer has can be changed here; what
// they wrote is written anew then.
const editor = useEditor()
const openId = ref('')
const moves = computed(() => editor.layer?.moves ?? [])
const rate = computed(() => editor.clip?.rate ?? 30)
const { beatHere, here } = usePlayhead()
const row = computed(() => editor.view.rows.find((r) => r.layer === editor.selected))

function set(m: Move, values: Partial<Move>, at?: Moment) {
  editor.run({ type: 'setMove', layer: editor.selected, move: { ...m, ...values }, at })
}

const spanOf = (m: Move) => row.value?.moves.find((s) => s.id === m.id)
const about = (m: Move) => {
  const s = spanOf(m)
  return s ? `${timecode(s.from, rate.value)} to ${timecode(s.to, rate.value)}` : ''
}
const isOn = (m: Move) => typeof m.at !== 'number'
// What settings a kind of move has comes from the core.
interface Kind {
  readonly sides: readonly { readonly id: NonNullable<Move['side']>; readonly name: string }[]
  readonly turns: boolean
  readonly strong: boolean
  readonly drifts: boolean
}
const kindOf = (m: Move): Kind => moveKinds.find((k) => k.id === m.kind) ?? moveKinds[0]
</script>

<template>
  <div>
    <h2>Moves</h2>
    <MoveKinds @add="openId = $event" />
    <p v-if="!moves.length" class="says">
      A move writes ordinary keys. What brings the layer in ends at the playhead, if there is time before it; all else
      begins there. On a beat it stays bound to the beat.
    </p>
    <div v-for="m in moves" :key="m.id" class="move" :data-move="m.id">
      <div class="title">
        <button class="plain" :aria-expanded="openId === m.id" @click="openId = openId === m.id ? '' : m.id">
          <i :class="openId === m.id ? 'bi bi-chevron-down' : 'bi bi-chevron-right'" />
          <strong>{{ moveName(m.kind) }}</strong> <small>{{ about(m) }}</small>
          <i v-if="isOn(m)" class="bi bi-music-note brass" title="Bound to a beat" />
        </button>
        <IconButton
          icon="x-lg"
          :label="`Take the ${moveName(m.kind)} away`"
          title="Take it away with its keys"
          @click="editor.run({ type: 'removeMove', layer: editor.selected, id: m.id })"
        />
      </div>
      <HitsSettings v-if="openId === m.id && m.hits" :move="m" :hits="m.hits" />
      <div v-else-if="openId === m.id" class="three">
        <ChoiceField
          v-if="kindOf(m).sides.length"
          label="Side"
          :value="m.side ?? ''"
          :options="kindOf(m).sides"
          @change="set(m, { side: $event })"
        />
        <NumberField
          late
          v-if="kindOf(m).turns"
          label="Lean"
          unit="°"
          :value="m.turn"
          @change="set(m, { turn: $event })"
        />
        <NumberField
          late
          v-if="kindOf(m).strong"
          label="Strength"
          unit="%"
          :step="10"
          :value="m.strength"
          @change="set(m, { strength: $event })"
        />
        <NumberField
          late
          v-if="!m.beats"
          label="Frames"
          :value="m.length"
          hint="0 goes on until the layer ends"
          @change="set(m, { length: Math.max(0, Math.round($event)) })"
        />
        <NumberField late v-else label="Beats" :step="0.5" :value="m.beats" @change="set(m, { beats: $event })" />
        <ChoiceField
          label="Counted in"
          :value="m.beats ? 'beats' : 'frames'"
          :options="[
            { id: 'frames', name: 'Frames' },
            { id: 'beats', name: 'Beats' }
          ]"
          @change="set(m, { beats: $event === 'beats' ? 1 : 0 })"
        />
        <NumberField
          late
          v-if="kindOf(m).drifts"
          label="Then drifts"
          :value="m.drift ?? 0"
          :step="5"
          hint="Units that it goes on drifting until it leaves"
          @change="set(m, { drift: $event })"
        />
      </div>
      <MoveSound v-if="openId === m.id && !m.hits" :move="m" />
      <div v-if="openId === m.id && !m.hits" class="when">
        <label class="check">
          <input type="checkbox" :checked="m.lands ?? false" @change="set(m, { lands: !m.lands })" />
          {{ isOn(m) ? 'ends on its beat' : 'ends at its time' }}, instead of beginning there
        </label>
        <label v-if="m.kind === 'flutter'" class="check">
          <input type="checkbox" :checked="m.goesOn ?? false" @change="set(m, { goesOn: !m.goesOn })" />
          goes on, from side to side with every beat
        </label>
        <button class="plain" @click="set(m, {}, here())">
          <i class="bi bi-geo" aria-hidden="true" />
          {{ beatHere ? `To bar ${beatHere.bar}, beat ${beatHere.in}` : 'To the playhead' }}
        </button>
      </div>
    </div>
  </div>
</template>

<style scoped>
.move {
  border-top: 1px solid var(--line);
  padding: 0.15rem 0;
}

.title {
  display: flex;
  justify-content: space-between;
  font-size: 0.82rem;
}

.title small {
  color: var(--harbour-soft);
}

.brass {
  color: var(--brass-deep);
}

.when {
  display: flex;
  justify-content: space-between;
  font-size: 0.78rem;
  margin: 0.25rem 0 0.4rem;
}
</style>
