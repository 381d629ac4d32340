<script setup lang="ts">
import { computed } from 'vue'
import { kindsOf, useKeys } from '../beatline/useKeys'
import { useDesk } from '../stores/desk'
import { useEditor } from '../stores/editor'
import type { Ease, Key, KeyRef } from '../types'
import { easings, listed, numberedIn, properties, propertyName, timecode } from '../words'
import EaseField from '../parts/EaseField.vue'
import PropertyRow from '../beatline/PropertyRow.vue'

// The values at the playhead, with their keys, and the easing of what is
// selected on the Beatline.
const editor = useEditor()
const desk = useDesk()
const keys = useKeys()
const usual = ['position', 'scale', 'rotation', 'opacity', 'lift', 'time']

// What the layer's content has now: a plate's colour, the direction of a gradient.
const mine = computed(() => [
  ...properties.filter(
    (p) => p.kinds.includes(editor.layer?.kind ?? '') && (p.name in editor.places.values || inUse(p.name))
  ),
  ...numberedIn(Object.keys(editor.places.values))
])
// Right and down are in use together.
const inUse = (name: string) =>
  (['x', 'y'].includes(name) ? ['x', 'y'] : [name]).some((n) => !!editor.layer?.tracks[n]?.length) ||
  !!editor.layer?.values?.[name]
const shown = computed(() => mine.value.filter((p) => usual.includes(p.name) || inUse(p.name)))
const more = computed(() =>
  mine.value.filter((p) => !usual.includes(p.name) && !inUse(p.name) && !['x', 'y'].includes(p.name))
)

// The keys whose easing is shown: the selected ones, or those at the playhead.
const eased = computed<KeyRef[]>(() => {
  if (editor.keys.length) return editor.keys
  return Object.keys(editor.layer?.tracks ?? {})
    .map((property) => ({ layer: editor.selected, property, frame: editor.frame }))
    .filter((k) => keys.bead(k))
})

const first = computed<Key | undefined>(() => (eased.value[0] ? keys.key(eased.value[0]) : undefined))

const about = computed(() => {
  const n = eased.value.length
  const k = eased.value[0]
  if (n !== 1 || !k) return `of ${listed(kindsOf(eased.value))}`
  return `${propertyName(k.property)} at ${timecode(k.frame, editor.clip?.rate ?? 30)}`
})

const setEase = (ease: Ease) => keys.ease(ease, eased.value)
</script>

<template>
  <div>
    <template v-if="first && eased.length">
      <h2>
        Easing <small>{{ about }}</small>
      </h2>
      <EaseField :ease="first.ease" :kinds="easings" @change="setEase" />
    </template>
    <h2>
      Keys at {{ timecode(editor.frame, editor.clip?.rate ?? 30) }}
      <button class="plain stay" title="Stays as at its last keys, up to the playhead (H)" @click="keys.hold()">
        <i class="bi bi-pause" aria-hidden="true" /> Hold until here
      </button>
    </h2>
    <PropertyRow v-for="p in shown" :key="p.name" :property="p" />
    <details v-if="more.length" :open="desk.more" @toggle="desk.more = ($event.target as HTMLDetailsElement).open">
      <summary>More properties</summary>
      <PropertyRow v-for="p in more" :key="p.name" :property="p" />
    </details>
  </div>
</template>

<style scoped>
h2 small {
  font: 400 0.78rem 'Hanken Grotesk';
  color: var(--harbour-soft);
}

/* What stands below is as wide as the panel. */
h2 {
  display: flow-root;
}

.stay {
  float: right;
  font: 500 0.78rem 'Hanken Grotesk';
}
</style>
