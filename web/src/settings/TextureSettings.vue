<script setup lang="ts">
import { computed } from 'vue'
import { useChoices } from './useChoices'
import { useEditor } from '../stores/editor'
import type { Changed, Follow, Layer, Stepping, Wander } from '../types'
import ChoiceField from '../parts/ChoiceField.vue'
import NumberField from '../parts/NumberField.vue'

// What gives motion its texture: wandering, stepping, motion blur, following.
const props = defineProps<{ layer: Layer }>()
const editor = useEditor()

const set = (values: Changed<Layer>) => editor.run({ type: 'setLayer', layer: props.layer.id, set: values })
const wander = computed(() => props.layer.wander)
const stepping = computed(() => props.layer.stepping)
const follow = computed(() => props.layer.follow)

const setWander = (v: Partial<Wander>) => set({ wander: { ...wander.value, ...v } })
const setStepping = (v: Partial<Stepping>) => set({ stepping: { ...stepping.value, ...v } })
const setFollow = (v: Partial<Follow>) => set({ follow: { ...follow.value, ...v } })

function lead(id: string) {
  if (!id) set({ follow: null })
  else setFollow(follow.value ? { layer: id } : { layer: id, position: true, rotation: true, scale: true })
}

const choices = useChoices(() => props.layer.id)
const parts = [
  { id: 'position', name: 'Place' },
  { id: 'rotation', name: 'Turn' },
  { id: 'scale', name: 'Scale' }
] as const
</script>

<template>
  <div>
    <details :open="!!wander">
      <summary>Wander <small>floats at random</small></summary>
      <label class="check">
        <input
          type="checkbox"
          :checked="!!wander"
          @change="set({ wander: wander ? null : { amount: 12, turn: 2, pace: 0.5, seed: 1 } })"
        />
        Wanders
      </label>
      <div v-if="wander" class="three">
        <NumberField label="Amount" :value="wander.amount" @change="setWander({ amount: $event })" />
        <NumberField label="Turn" unit="°" :value="wander.turn ?? 0" @change="setWander({ turn: $event })" />
        <NumberField label="Size" unit="%" :value="wander.size ?? 0" @change="setWander({ size: $event })" />
        <NumberField
          label="Pace"
          :step="0.1"
          hint="changes of direction a second"
          :value="wander.pace"
          @change="setWander({ pace: $event })"
        />
        <NumberField label="Seed" :value="wander.seed ?? 0" @change="setWander({ seed: Math.round($event) })" />
        <label class="check">
          <input type="checkbox" :checked="wander.closed ?? false" @change="setWander({ closed: !wander.closed })" />
          closed
        </label>
      </div>
    </details>
    <details :open="!!stepping">
      <summary>Stepping <small>the hand-made look</small></summary>
      <label class="check">
        <input
          type="checkbox"
          :checked="!!stepping"
          @change="set({ stepping: stepping ? null : { rate: 8, turn: 3, seed: 1 } })"
        />
        The picture is held
      </label>
      <div v-if="stepping" class="three">
        <NumberField
          label="A second"
          hint="changes a second, 4 to 24"
          :value="stepping.rate"
          @change="setStepping({ rate: Math.round($event) })"
        />
        <NumberField label="Uneven turn" unit="°" :value="stepping.turn ?? 0" @change="setStepping({ turn: $event })" />
        <NumberField label="Shift" :value="stepping.shift ?? 0" @change="setStepping({ shift: $event })" />
        <NumberField label="Seed" :value="stepping.seed ?? 0" @change="setStepping({ seed: Math.round($event) })" />
      </div>
    </details>
    <details :open="!!layer.shutter">
      <summary>Motion blur</summary>
      <NumberField
        label="Shutter"
        unit="°"
        :step="45"
        hint="Degrees the shutter is open: 0 is none, 180 is usual"
        :value="layer.shutter ?? 0"
        @change="set({ shutter: $event })"
      />
    </details>
    <details :open="!!follow">
      <summary>Follow</summary>
      <ChoiceField
        bare
        label="Follows"
        :value="follow?.layer ?? ''"
        :options="[{ id: '', name: 'Nothing' }, ...choices.leaders]"
        @change="lead"
      />
      <div v-if="follow" class="three spaced">
        <label v-for="p in parts" :key="p.id" class="check">
          <input type="checkbox" :checked="follow[p.id] ?? false" @change="setFollow({ [p.id]: !follow[p.id] })" />
          {{ p.name }}
        </label>
      </div>
    </details>
  </div>
</template>

<style scoped>
.spaced {
  margin-top: 0.3rem;
}
</style>
