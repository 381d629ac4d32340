<script setup lang="ts">
import { computed, ref } from 'vue'
import { useEditor } from '../stores/editor'
import type { Command, Layer, Lineup, Slot } from '../types'
import ChoiceField from '../parts/ChoiceField.vue'
import IconButton from '../parts/IconButton.vue'
import EaseField from '../parts/EaseField.vue'
import NumberField from '../parts/NumberField.vue'
import HitChoiceFields from './HitChoiceFields.vue'
import { easings, listed } from '../words'

// The products that take turns in a group, their slots and their times.
const props = defineProps<{ lineup: Lineup; layer: Layer }>()
const editor = useEditor()
const slot = ref(0)

const inside = computed(() => editor.clip?.layers.filter((l) => l.group === props.layer.id) ?? [])
const name = (id: string) => editor.layers.get(id)?.name ?? id
const used = computed(() => new Set(props.lineup.items.flatMap((i) => [i.layer, ...(i.with ?? [])])))
const free = computed(() => inside.value.filter((l) => !used.value.has(l.id) && l.kind !== 'card'))
const freeWords = computed(() => free.value.filter((l) => l.words).map((l) => ({ id: l.id, name: l.name })))
// Cut-outs elsewhere can join.
const others = computed(
  () => editor.clip?.layers.filter((l) => l.kind === 'cutout' && l.group !== props.layer.id && !l.locked) ?? []
)

function set(values: Partial<Lineup>) {
  editor.run({ type: 'setLineup', layer: props.layer.id, lineup: { ...props.lineup, ...values } })
}

function setSlot(values: Partial<Slot>) {
  set({ slots: props.lineup.slots.map((s, i) => (i === slot.value ? { ...s, ...values } : s)) })
}

const remove = (i: number) => set({ items: props.lineup.items.filter((_, k) => k !== i) })

function later(i: number) {
  const items = [...props.lineup.items]
  ;[items[i], items[i + 1]] = [items[i + 1], items[i]]
  set({ items })
}

function add(id: string) {
  if (!id) return
  const lineup = { ...props.lineup, items: [...props.lineup.items, { layer: id }] }
  const join: Command = { type: 'intoGroup', layers: [id], group: props.layer.id }
  const change: Command = { type: 'setLineup', layer: props.layer.id, lineup }
  const first = props.lineup.items[0] && editor.layers.get(props.lineup.items[0].layer)
  const rest: Command | undefined = first && {
    type: 'setRest',
    layer: id,
    shape: editor.home,
    set: { pin: first.rest.pin, x: first.rest.x, y: first.rest.y }
  }
  editor.runAll([...(rest ? [rest] : []), join, change])
}

const known = computed(() => editor.view.rows.find((r) => r.layer === props.layer.id)?.lineup)
// Words that were paired with products by their order.
const unsure = computed(() => (known.value?.unsure ?? []).map(name))
// Keys that were changed by hand stay, whatever is set here, until they are given up.
const byHand = computed(() => known.value?.byHand ?? 0)
const writeAnew = () => editor.run({ type: 'setLineup', layer: props.layer.id, lineup: props.lineup, anew: true })

const counted = computed(() => {
  const u = props.lineup
  return u.on ? 'hits' : u.bars ? 'bars' : u.beats ? 'beats' : 'frames'
})
function count(by: string) {
  if (by === 'hits') return set({ on: { least: 0.8, apart: props.lineup.beats || 4 }, bars: 0 })
  set({
    on: undefined,
    beats: by === 'frames' ? 0 : props.lineup.beats || 4,
    bars: by === 'bars' ? props.lineup.bars || 1 : 0
  })
}

// pair lets words come and go with a product, or no longer.
function pair(i: number, id: string, on: boolean) {
  if (!id) return
  const items = props.lineup.items.map((it, k) => {
    if (k !== i) return it
    const others = (it.with ?? []).filter((w) => w !== id)
    return { ...it, with: on ? [...others, id] : others }
  })
  set({ items })
}
</script>

<template>
  <div>
    <h2>Line-up</h2>
    <ol class="list-unstyled">
      <li v-for="(it, i) in lineup.items" :key="it.layer">
        <span class="who">{{ i + 1 }}. {{ name(it.layer) }}</span>
        <IconButton
          icon="arrow-down"
          :disabled="i + 1 === lineup.items.length"
          :label="`${name(it.layer)} later`"
          @click="later(i)"
        />
        <IconButton icon="x-lg" :label="`Take ${name(it.layer)} out of the line-up`" @click="remove(i)" />
        <span class="with">
          <button
            v-for="w in it.with"
            :key="w"
            class="plain chip"
            :aria-label="`${name(w)} no longer comes with ${name(it.layer)}`"
            title="Press to let it stay all the time"
            @click="pair(i, w, false)"
          >
            {{ name(w) }} <i class="bi bi-x" aria-hidden="true" />
          </button>
          <ChoiceField
            v-if="freeWords.length"
            bare
            :label="`Words with ${name(it.layer)}`"
            value=""
            :options="[{ id: '', name: 'with words…' }, ...freeWords]"
            @change="pair(i, $event, true)"
          />
        </span>
      </li>
    </ol>
    <p v-if="unsure.length" class="unsure">
      <i class="bi bi-question-circle" aria-hidden="true" />
      {{ listed(unsure) }} {{ unsure.length === 1 ? 'shows' : 'show' }} no product of their own: paired by order. Give
      words their product, or pair them here.
    </p>
    <ChoiceField
      bare
      label="Add a product to the line-up"
      value=""
      :options="[
        { id: '', name: 'Add a product…' },
        ...free.filter((l) => !l.words).map((l) => ({ id: l.id, name: l.name })),
        ...others.map((l) => ({ id: l.id, name: l.name }))
      ]"
      @change="add"
    />
    <div class="three spaced">
      <NumberField
        late
        v-if="lineup.beats && !lineup.on"
        label="Each, beats"
        :value="lineup.beats"
        @change="set({ beats: Math.max(0, $event) })"
      />
      <NumberField
        late
        v-else-if="!lineup.on"
        label="Each, frames"
        :value="lineup.stay"
        @change="set({ stay: Math.max(2, Math.round($event)) })"
      />
      <NumberField
        late
        v-if="lineup.bars"
        label="Change, bars"
        :step="0.25"
        :value="lineup.bars"
        @change="set({ bars: Math.max(0, $event) })"
      />
      <NumberField
        late
        v-else
        label="Change"
        :value="lineup.change"
        hint="frames"
        @change="set({ change: Math.max(1, Math.round($event)) })"
      />
      <ChoiceField
        label="Counted in"
        :value="counted"
        :options="[
          { id: 'frames', name: 'Frames' },
          { id: 'beats', name: 'Beats' },
          { id: 'bars', name: 'Bars' },
          { id: 'hits', name: 'Hits' }
        ]"
        @change="count"
      />
    </div>
    <template v-if="lineup.on">
      <HitChoiceFields class="spaced" :choice="lineup.on" @change="set({ on: { ...lineup.on, ...$event } })" />
      <p v-if="!editor.tune" class="unsure">There is no tune under the clip yet: the first product stays.</p>
      <p v-else-if="known?.waiting" class="unsure">
        <i class="bi bi-hourglass" aria-hidden="true" />
        {{ known.waiting === 1 ? '1 product has' : `${known.waiting} products have` }} no hit left: let softer ones
        count.
      </p>
      <small v-else>Each product arrives on the next of these hits.</small>
    </template>
    <small v-else>Each counts from one product to the next, the change included.</small>
    <p v-if="byHand" class="unsure">
      <i class="bi bi-hand-index" aria-hidden="true" />
      {{ byHand === 1 ? '1 key is' : `${byHand} keys are` }} set by hand and stay as they are.
      <button class="plain" @click="writeAnew">Let the line-up write them</button>
    </p>
    <label class="check">
      <input type="checkbox" :checked="lineup.leaves ?? false" @change="set({ leaves: !lineup.leaves })" />
      the last one leaves, too
    </label>
    <details>
      <summary>Easing of the changes</summary>
      <EaseField :ease="lineup.ease ?? { kind: 'inOut' }" :kinds="easings" @change="set({ ease: $event })" />
    </details>
    <details>
      <summary>Slots</summary>
      <div class="three">
        <ChoiceField
          label="Slot"
          :value="String(slot)"
          :options="lineup.slots.map((s, i) => ({ id: String(i), name: s.name }))"
          @change="slot = Number($event)"
        />
        <NumberField late label="Right" :value="lineup.slots[slot].x" @change="setSlot({ x: $event })" />
        <NumberField late label="Down" :value="lineup.slots[slot].y" @change="setSlot({ y: $event })" />
        <NumberField late label="Size" unit="%" :value="lineup.slots[slot].size" @change="setSlot({ size: $event })" />
        <NumberField late label="Turn" unit="°" :value="lineup.slots[slot].turn" @change="setSlot({ turn: $event })" />
        <NumberField
          late
          label="Opacity"
          unit="%"
          :value="lineup.slots[slot].opacity"
          @change="setSlot({ opacity: $event })"
        />
      </div>
    </details>
  </div>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: 1fr 24px 24px;
  gap: 0.2rem;
  align-items: center;
  font-size: 0.82rem;
}

.who {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.with {
  grid-column: 1 / 4;
  display: flex;
  flex-wrap: wrap;
  gap: 0.2rem;
  margin: 0 0 0.25rem 1rem;
}

.chip {
  border: 1px solid var(--line);
  font-size: 0.74rem;
  padding: 0 0.3rem;
}

small {
  color: var(--harbour-soft);
}

.unsure {
  font-size: 0.78rem;
  color: var(--brass-deep);
  margin-bottom: 0.4rem;
}

.check {
  display: block;
  font-size: 0.82rem;
}

.spaced {
  margin-top: 0.4rem;
}

ol {
  margin-bottom: 0.4rem;
}
</style>
