<script setup lang="ts">
import { computed } from 'vue'
import { useChoices } from './useChoices'
import { useEditor } from '../stores/editor'
import type { Inside, Layer } from '../types'
import ChoiceField from '../parts/ChoiceField.vue'
import NumberField from '../parts/NumberField.vue'

// The time of a group's inside, and what it is cut to.
const props = defineProps<{ inside: Inside; layer: Layer }>()
const editor = useEditor()
const choices = useChoices(() => props.layer.id)
const keyed = computed(() => (props.layer.tracks.time?.length ?? 0) > 0)

// A frozen frame counts from the beginning of the scene, as the clip's does.
const start = computed(() => editor.view.rows.find((r) => r.layer === props.layer.id)?.start ?? 0)
const frozen = computed(() => props.inside.freeze ?? null)

const set = (values: Partial<Inside>) =>
  editor.run({ type: 'setLayer', layer: props.layer.id, set: { inside: values } })
</script>

<template>
  <details open>
    <summary>Time inside <small v-if="keyed">follows its keys</small></summary>
    <div class="three">
      <NumberField
        label="Later by"
        hint="frames"
        :disabled="keyed"
        :value="inside.offset ?? 0"
        @change="set({ offset: Math.round($event) })"
      />
      <NumberField
        label="Speed"
        :step="0.1"
        :disabled="keyed"
        :value="inside.speed || 1"
        @change="set({ speed: $event })"
      />
      <NumberField
        label="Repeat every"
        hint="frames; 0 does not repeat"
        :disabled="keyed"
        :value="inside.repeat ?? 0"
        @change="set({ repeat: Math.max(0, Math.round($event)) })"
      />
    </div>
    <div class="pair spaced">
      <label class="check">
        <input
          type="checkbox"
          :disabled="keyed"
          :checked="inside.reverse ?? false"
          @change="set({ reverse: !inside.reverse })"
        />
        Backwards
      </label>
      <label class="check">
        <input
          type="checkbox"
          :disabled="keyed"
          :checked="frozen !== null"
          @change="set({ freeze: frozen === null ? editor.frame - start : null })"
        />
        Freeze {{ frozen === null ? 'this frame' : frozen + start }}
      </label>
    </div>
    <ChoiceField
      label="Cut to"
      :value="inside.clip ?? ''"
      :options="[
        { id: '', name: 'Nothing' },
        { id: 'bounds', name: 'Its bounds' },
        ...choices.cuts.map((l) => ({ id: l.id, name: l.name }))
      ]"
      @change="set({ clip: $event })"
    />
    <div v-if="inside.clip && inside.clip !== 'bounds'" class="pair spaced">
      <ChoiceField
        label="Shows where that is"
        :value="inside.by ?? ''"
        :options="[
          { id: '', name: 'Opaque' },
          { id: 'brightness', name: 'Bright' }
        ]"
        @change="set({ by: $event as Inside['by'] })"
      />
      <label class="check">
        <input type="checkbox" :checked="inside.invert ?? false" @change="set({ invert: !inside.invert })" /> Where it
        is not
      </label>
      <label class="check" title="So that things rise from behind it and overlap its upper edge">
        <input type="checkbox" :checked="inside.free ?? false" @change="set({ free: !inside.free })" /> Free above its
        middle
      </label>
    </div>
    <label class="check">
      <input type="checkbox" :checked="inside.together ?? false" @change="set({ together: !inside.together })" />
      its parts stay together in every shape
    </label>
    <button class="plain apart" @click="editor.run({ type: 'ungroup', layer: layer.id })">
      <i class="bi bi-collection" /> Take the group apart
    </button>
  </details>
</template>

<style scoped>
.spaced {
  margin: 0.35rem 0;
}

.apart {
  font-size: 0.8rem;
  padding-left: 0;
}
</style>
