<script setup lang="ts">
import ChoiceField from '../../parts/ChoiceField.vue'
import type { Changed, Gel, Layer } from '../../types'
import { useChoices } from '../useChoices'

// Where a sheet changes what lies beneath it.
const props = defineProps<{ layer: Layer; content: Gel }>()
const emit = defineEmits<{ set: [values: Changed<Layer>] }>()
const choices = useChoices(() => props.layer.id)
</script>

<template>
  <div>
    <h2>Gel</h2>
    <ChoiceField
      label="Changes what is beneath it"
      :value="content.where ?? ''"
      :options="[
        { id: '', name: 'Everywhere' },
        ...choices.cuts.map((l) => ({ id: l.id, name: `Only where ${l.name} is` }))
      ]"
      @change="emit('set', { gel: { where: $event } })"
    />
    <p v-if="content.where" class="hint">
      What it changes has the outline of that layer, which may itself be faint, as glass is.
    </p>
  </div>
</template>

<style scoped>
.hint {
  margin: 0.35rem 0 0;
  font-size: 0.8rem;
  color: var(--harbour-soft);
}
</style>
