<script setup lang="ts">
import { computed } from 'vue'
import { useEditor } from '../stores/editor'
import type { Key } from '../types'
import { propertyName } from '../words'
import NumberField from '../parts/NumberField.vue'

// The key of a property of the light at the playhead.
const props = defineProps<{ property: 'direction' | 'height' }>()
const editor = useEditor()
const at = computed(() => ({ layer: '@light', property: props.property, frame: editor.frame }))
const beads = computed(
  () =>
    editor.view.rows.find((r) => r.layer === '@light')?.tracks.find((t) => t.property === props.property)?.beads ?? []
)
const here = computed<Key | undefined>(
  () => editor.clip?.light.tracks?.[props.property]?.[beads.value.findIndex((b) => b.frame === editor.frame)]
)

async function toggle() {
  if (here.value) return editor.run({ type: 'removeKeys', keys: [at.value] })
  const key = await editor.ask('keyHere', at.value)
  return editor.run({ type: 'setKey', layer: '@light', property: props.property, key })
}

const set = (v: number) =>
  here.value &&
  editor.run({ type: 'setKey', layer: '@light', property: props.property, key: { ...here.value, value: [v] } })
</script>

<template>
  <div class="key">
    <button
      class="plain bead"
      :class="{ here }"
      :aria-label="`${here ? 'Delete' : 'Set'} a key for the light's ${property}`"
      @click="toggle"
    >
      <span />
    </button>
    <NumberField
      v-if="here"
      bare
      :label="`The light's ${property} here`"
      unit="°"
      :value="here.value[0]"
      @change="set"
    />
    <span v-else>{{ propertyName(property) }} {{ beads.length ? 'between keys' : 'key' }}</span>
  </div>
</template>

<style scoped>
.key {
  display: flex;
  align-items: center;
  gap: 0.2rem;
  font-size: 0.78rem;
  min-height: 28px;
}

.bead {
  padding: 4px;
}

.bead span {
  display: block;
  width: 13px;
  height: 13px;
  border-radius: 50%;
  border: 2px solid var(--harbour-soft);
}

.bead.here span {
  background: var(--brass);
  border-color: var(--brass-deep);
}
</style>
