<script setup lang="ts">
import { computed, onBeforeUnmount, ref, watch } from 'vue'
import { hitDeeds, sides } from '../gen/catalogue'
import { useDesk } from '../stores/desk'
import { useEditor } from '../stores/editor'
import type { Command, Move, OnHits } from '../types'
import ChoiceField from '../parts/ChoiceField.vue'
import NumberField from '../parts/NumberField.vue'
import HitChoiceFields from './HitChoiceFields.vue'

// What happens at which hits of the tune. Each change writes the keys anew; the hits that count are
// seen on the Beatline.
const props = defineProps<{ move: Move; hits: OnHits }>()
const editor = useEditor()
const desk = useDesk()

const layers = computed(() => (editor.chosen.includes(editor.selected) ? editor.chosen : [editor.selected]))
const command = (hits: Partial<OnHits>, move: Partial<Move> = {}): Command => ({
  type: 'actOnHits',
  layers: layers.value,
  move: { ...props.move, ...move, hits: { ...props.hits, ...hits } },
  keep: move.length === undefined // layers that begin at other times go on doing so
})
const set = (hits: Partial<OnHits>, move: Partial<Move> = {}) => editor.run(command(hits, move))

// The strength as it is while it is dragged.
const least = ref(props.hits.least)
const rest = computed(() => ({
  layer: editor.selected,
  move: { ...props.move, hits: { ...props.hits, least: least.value } }
}))
watch(
  [rest, () => editor.version],
  async () => {
    desk.striking = await editor.ask('struck', rest.value).catch(() => null)
  },
  { immediate: true }
)
onBeforeUnmount(() => (desk.striking = null))
const struck = computed(() => desk.striking?.length ?? 0)

const others = computed(() => [
  { id: '', name: 'Two of its own' },
  ...(editor.clip?.layers ?? [])
    .filter(
      (l) => !layers.value.includes(l.id) && ['backdrop', 'floor', 'card', 'words', 'badge', 'button'].includes(l.kind)
    )
    .map((l) => ({ id: l.id, name: `With ${l.name}` }))
])
</script>

<template>
  <div class="hits">
    <p class="count" role="status">
      <template v-if="!editor.tune">There is no tune under the clip yet: without hits nothing happens.</template>
      <template v-else>{{ struck === 1 ? '1 hit' : `${struck} hits` }} of the tune, seen on the Beatline.</template>
    </p>
    <ChoiceField label="Do this" :value="hits.does" :options="hitDeeds" @change="set({ does: $event })" />
    <HitChoiceFields :choice="hits" @change="set" @weigh="least = $event">
      <NumberField
        v-if="hits.does !== 'turns'"
        late
        label="Frames until it is as before"
        :value="hits.frames ?? 0"
        hint="0 is as long as is usual for it"
        @change="set({ frames: Math.round($event) })"
      />
      <NumberField
        v-if="['swell', 'nudge', 'flash'].includes(hits.does)"
        late
        label="Strength"
        unit="%"
        :step="10"
        :value="move.strength"
        @change="set({}, { strength: $event })"
      />
      <ChoiceField
        v-if="hits.does === 'nudge'"
        label="To the"
        :value="move.side ?? 'below'"
        :options="sides.slice(0, 4)"
        @change="set({}, { side: $event })"
      />
      <ChoiceField
        v-if="hits.does === 'exchange'"
        label="Colours"
        :value="hits.with ?? ''"
        :options="others"
        @change="set({ with: $event })"
      />
      <NumberField
        late
        label="For so many frames"
        :value="move.length"
        hint="0 goes on until the layer ends"
        @change="set({}, { length: Math.max(0, Math.round($event)), beats: 0 })"
      />
    </HitChoiceFields>
    <p v-if="layers.length > 1" class="says">Changes go to all {{ layers.length }} that are chosen.</p>
    <p v-else-if="hits.does === 'turns'" class="says">Choose several layers to let them take turns, with Shift.</p>
  </div>
</template>

<style scoped>
.hits {
  display: grid;
  gap: 0.3rem;
  padding: 0.2rem 0 0.4rem;
  font-size: 0.8rem;
}

.count,
.says {
  margin: 0;
  color: var(--harbour-soft);
}
</style>
