<script setup lang="ts">
import { computed } from 'vue'
import { useEditor } from '../stores/editor'
import type { Ease, Key } from '../types'
import { easings, properties, propertyName, timecode } from '../words'
import ChoiceField from './ChoiceField.vue'
import EaseField from './EaseField.vue'
import NumberField from './NumberField.vue'

// The values at the playhead, with their keys, and the easing of what is
// selected on the Beatline.
const editor = useEditor()
const row = computed(() => editor.view.rows.find((r) => r.layer === editor.selected))
const shown = computed(() => {
  const backdrop = editor.layer?.kind === 'backdrop'
  return properties.filter((p) => !backdrop || p.id === 'opacity' || p.id === 'position')
})

const sides = [
  { id: '', name: 'At a place' },
  { id: 'left', name: 'Just outside, left' },
  { id: 'right', name: 'Just outside, right' },
  { id: 'above', name: 'Just outside, above' },
  { id: 'below', name: 'Just outside, below' }
]

const keysOf = (property: string): Key[] => editor.layer?.tracks[property] ?? []
const beadsOf = (property: string) => row.value?.tracks.find((t) => t.property === property)?.beads ?? []
const indexHere = (property: string) => beadsOf(property).findIndex((b) => b.frame === editor.frame)
const keyHere = (property: string) => keysOf(property)[indexHere(property)] as Key | undefined
const valueText = (property: string) => beadsOf(property).find((b) => b.frame === editor.frame)?.text

async function current(property: string): Promise<Key> {
  return editor.ask<Key>('keyHere', { layer: editor.selected, property, frame: editor.frame, shape: editor.shape })
}

async function put(property: string, change: Partial<Key>) {
  const key = { ...(await current(property)), ...change }
  const place = editor.places.places.find((p) => p.layer === editor.selected)
  // A new position key begins where the layer is, "just outside" worked out.
  if (property === 'position' && !change.value && !change.off && !keyHere(property) && place) key.value = place.position
  await editor.run({ type: 'setKey', layer: editor.selected, property, key })
}

function toggle(property: string) {
  if (keyHere(property))
    editor.run({ type: 'removeKeys', keys: [{ layer: editor.selected, property, frame: editor.frame }] })
  else put(property, {})
}

async function setValue(property: string, i: number, v: number) {
  const value = [...(await current(property)).value]
  value[i] = v
  put(property, { value })
}

function jump(property: string, direction: number) {
  const frames = beadsOf(property).map((b) => b.frame)
  const to = direction > 0 ? frames.find((f) => f > editor.frame) : frames.filter((f) => f < editor.frame).at(-1)
  if (to !== undefined) editor.go(to)
}

// The keys whose easing is shown: the selected ones, or those at the playhead.
const eased = computed(() => {
  if (editor.keys.length) return editor.keys
  return properties
    .filter((p) => indexHere(p.id) >= 0)
    .map((p) => ({ layer: editor.selected, property: p.id, frame: editor.frame }))
})

const ease = computed<Ease | undefined>(() => {
  const first = eased.value[0]
  if (!first) return undefined
  const layer = editor.clip?.layers.find((l) => l.id === first.layer)
  const beads = editor.view.rows.find((r) => r.layer === first.layer)?.tracks.find((t) => t.property === first.property)
  return layer?.tracks[first.property]?.[beads?.beads.findIndex((b) => b.frame === first.frame) ?? -1]?.ease
})

const about = computed(() => {
  const n = eased.value.length
  const first = eased.value[0]
  if (n !== 1 || !first) return `${n} keys`
  return `${propertyName(first.property)} at ${timecode(first.frame, editor.clip?.rate ?? 30)}`
})
</script>

<template>
  <div>
    <h2>Keys at {{ timecode(editor.frame, editor.clip?.rate ?? 30) }}</h2>
    <div v-for="p in shown" :key="p.id" class="property">
      <button
        class="plain bead"
        :class="{ here: keyHere(p.id), some: keysOf(p.id).length }"
        :aria-label="`${keyHere(p.id) ? 'Delete' : 'Set'} a key for ${p.name}`"
        :title="keyHere(p.id) ? 'Delete the key here' : 'Set a key here'"
        @click="toggle(p.id)"
      >
        <span />
      </button>
      <span class="name">{{ p.name }}</span>
      <template v-if="keyHere(p.id)">
        <span v-if="keyHere(p.id)?.off" class="off">{{ valueText(p.id) }}</span>
        <template v-else>
          <NumberField
            v-for="(v, i) in keyHere(p.id)?.value"
            :key="i"
            bare
            :label="p.id === 'position' ? `${p.name}, ${i ? 'down' : 'right'}` : p.name"
            :value="v"
            :unit="p.unit"
            @change="setValue(p.id, i, $event)"
          />
        </template>
      </template>
      <span v-else class="off">{{ keysOf(p.id).length ? 'between keys' : 'no keys' }}</span>
      <span class="jumps">
        <button
          class="plain"
          :disabled="!keysOf(p.id).length"
          :aria-label="`Key of ${p.name} before`"
          @click="jump(p.id, -1)"
        >
          <i class="bi bi-chevron-left" />
        </button>
        <button
          class="plain"
          :disabled="!keysOf(p.id).length"
          :aria-label="`Next key of ${p.name}`"
          @click="jump(p.id, 1)"
        >
          <i class="bi bi-chevron-right" />
        </button>
      </span>
      <ChoiceField
        v-if="p.id === 'position' && keyHere('position')"
        class="sides"
        bare
        label="Where the position key is"
        :value="keyHere('position')?.off ?? ''"
        :options="sides"
        @change="put('position', { off: $event })"
      />
    </div>
    <template v-if="ease && eased.length">
      <h2>
        Easing <small>{{ about }}</small>
      </h2>
      <EaseField :ease="ease" :kinds="easings" @change="editor.run({ type: 'setEase', keys: eased, ease: $event })" />
    </template>
  </div>
</template>

<style scoped>
.property {
  display: grid;
  grid-template-columns: 24px 58px minmax(0, 1fr) minmax(0, 1fr) 44px;
  gap: 0.25rem;
  align-items: center;
  min-height: 30px;
  font-size: 0.8rem;
}

.property > .number:nth-last-child(2),
.off {
  grid-column: 3 / 5;
}

.property > .number + .number {
  grid-column: 4;
}

.property > .number:has(+ .number) {
  grid-column: 3;
}

.jumps {
  grid-column: 5;
  display: flex;
}

.jumps .plain {
  padding: 0 0.15rem;
}

.off {
  color: var(--harbour-soft);
}

.sides {
  grid-column: 2 / 6;
}

.bead {
  padding: 4px;
  display: grid;
  place-items: center;
}

.bead span {
  width: 13px;
  height: 13px;
  border-radius: 50%;
  border: 2px solid var(--harbour-soft);
}

.bead.some span {
  border-color: var(--brass-deep);
}

.bead.here span {
  background: var(--brass);
  border-color: var(--brass-deep);
}

h2 small {
  font: 400 0.78rem 'Hanken Grotesk';
  color: var(--harbour-soft);
}
</style>
