<script setup lang="ts">
import { computed } from 'vue'
import IconButton from '../parts/IconButton.vue'
import NumberField from '../parts/NumberField.vue'
import type { Part } from '../types'
import type { Cut } from './useCut'
import type { Tune } from './useTune'
import type { TunePlayer } from './useTunePlayer'

// What the clip plays of the tune, part after part, with its joins.
const props = defineProps<{ of: Tune; player: TunePlayer; cut: Cut }>()
const parts = computed(() => props.cut.parts.value)
const i = computed(() => props.cut.chosen.value)
const steady = computed(() => !!props.of.tune.value?.steady)
const count = (p: Part) => {
  const n = props.of.bars.value.filter((b) => b >= p.from - 0.03 && b < p.to - 0.03).length
  return n === 1 ? '1 bar' : `${n} bars`
}
const name = (p: Part) => (steady.value ? `From bar ${props.of.bar(p.from)}` : `From ${p.from.toFixed(1)} s`)
const length = (p: Part) => `${steady.value ? `${count(p)}, ` : ''}${(p.to - p.from).toFixed(1)} s`
</script>

<template>
  <section class="cut" aria-label="What the clip plays">
    <h2>The clip plays</h2>
    <ol class="strip">
      <template v-for="(p, n) in parts" :key="n">
        <li v-if="n > 0" class="join">
          <IconButton
            :icon="player.joining.value === n - 1 ? 'pause-fill' : 'ear'"
            :label="`Hear the join before part ${n + 1}`"
            title="Hear how one goes over into the other"
            @click="player.joining.value === n - 1 ? player.stop() : player.join(parts, cut.tail.value, n - 1)"
          />
        </li>
        <li class="piece" :style="{ flexGrow: p.to - p.from }">
          <button class="plain" :aria-pressed="n === i" :class="{ on: n === i }" @click="cut.choose(n)">
            <strong>{{ name(p) }}</strong>
            <small>{{ length(p) }}</small>
          </button>
        </li>
      </template>
      <li class="tail">
        <NumberField
          label="Then dies away, seconds"
          :step="0.5"
          :value="cut.tail.value"
          @change="cut.propose(parts, Math.max(0, Math.min($event, 10)))"
        />
      </li>
    </ol>
    <div v-if="parts[i]" class="acts" role="toolbar" aria-label="The chosen part">
      <button class="plain" title="Hear this part, again and again" @click="player.hear(parts[i])">
        <i class="bi bi-play" aria-hidden="true" /> Hear it
      </button>
      <button class="plain" title="The same bars once more" @click="cut.repeat(i)">
        <i class="bi bi-repeat" aria-hidden="true" /> Repeat it
      </button>
      <template v-if="steady">
        <span class="of"
          >Begins <IconButton icon="dash" label="Begin a bar earlier" @click="cut.bars(i, 'from', -1)" /><IconButton
            icon="plus"
            label="Begin a bar later"
            @click="cut.bars(i, 'from', 1)"
        /></span>
        <span class="of"
          >Ends <IconButton icon="dash" label="End a bar earlier" @click="cut.bars(i, 'to', -1)" /><IconButton
            icon="plus"
            label="End a bar later"
            @click="cut.bars(i, 'to', 1)"
        /></span>
        <span class="of" title="As much, from elsewhere"
          >Slip
          <IconButton
            icon="chevron-left"
            label="Play as much from a bar earlier"
            @click="cut.bars(i, 'both', -1)" /><IconButton
            icon="chevron-right"
            label="Play as much from a bar later"
            @click="cut.bars(i, 'both', 1)"
        /></span>
      </template>
      <template v-if="parts.length > 1">
        <button class="plain" :disabled="i === 0" @click="cut.move(i, -1)">Earlier</button>
        <button class="plain" :disabled="i === parts.length - 1" @click="cut.move(i, 1)">Later</button>
        <button class="plain" @click="cut.remove(i)"><i class="bi bi-trash" aria-hidden="true" /> Take it out</button>
      </template>
      <span class="flex-fill" />
      <button
        v-if="player.loop.value"
        class="plain"
        title="The bars that were chosen above"
        @click="cut.add({ ...player.loop.value })"
      >
        <i class="bi bi-plus-lg" aria-hidden="true" /> Add the chosen bars
      </button>
      <button v-if="player.loop.value" class="plain" @click="cut.propose([{ ...player.loop.value }])">
        Play only these
      </button>
    </div>
  </section>
</template>

<style scoped>
.cut {
  display: grid;
  gap: 0.35rem;
}

h2 {
  margin: 0;
  font-size: 1rem;
}

.strip {
  display: flex;
  align-items: stretch;
  gap: 4px;
  margin: 0;
  padding: 0;
  list-style: none;
  overflow-x: auto;
}

.piece {
  flex: 1 1 0;
  min-width: 92px;
}

.piece button {
  display: grid;
  width: 100%;
  height: 100%;
  min-height: 44px;
  align-content: center;
  justify-items: start;
  padding: 0.2rem 0.6rem;
  border-radius: 6px;
  background: rgba(44, 122, 104, 0.16);
  color: inherit;
  font-size: 0.82rem;
  text-align: left;
  white-space: nowrap;
}

.piece button.on {
  background: var(--kelp-deep);
  color: #fff;
}

.piece small {
  color: inherit;
}

.join {
  align-self: center;
}

.tail {
  flex: none;
  width: 9.5rem;
}

.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 0.1rem 0.4rem;
  align-items: center;
  min-height: 28px;
  font-size: 0.8rem;
}

.of {
  display: inline-flex;
  align-items: center;
  padding-left: 0.3rem;
}
</style>
