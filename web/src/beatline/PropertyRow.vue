<script setup lang="ts">
import { computed, ref } from 'vue'
import { hexOf, numbersOf } from '../parts/colour'
import { usePlayhead } from '../player/usePlayhead'
import { useEditor } from '../stores/editor'
import type { Key } from '../types'
import { type Property, propertyName, propertyParts, propertyUnit, sides } from '../words'
import ChoiceField from '../parts/ChoiceField.vue'
import ColourField from '../parts/ColourField.vue'
import IconButton from '../parts/IconButton.vue'
import NumberField from '../parts/NumberField.vue'

// One property of the chosen layer: its key at the playhead, its value there,
// and the way to the keys before and after.
const props = defineProps<{ property: Property }>()
const editor = useEditor()
const playhead = usePlayhead()

const id = computed(() => props.property.name)
const name = computed(() => propertyName(id.value))
const keysOf = computed<Key[]>(() => editor.layer?.tracks[id.value] ?? [])
const beads = computed(
  () =>
    editor.view.rows.find((r) => r.layer === editor.selected)?.tracks.find((t) => t.property === id.value)?.beads ?? []
)
const here = computed(() => keysOf.value[beads.value.findIndex((b) => b.frame === editor.frame)] as Key | undefined)
const text = computed(() => beads.value.find((b) => b.frame === editor.frame)?.text)
// What the rest says is not set here without a key.
const settable = computed(
  () => keysOf.value.length > 0 || !['position', 'x', 'y', 'scale', 'rotation', 'lift', 'time'].includes(id.value)
)
// A scale is one number, or width and height apart.
const parted = ref(false)
const value = computed(() => {
  const v = here.value?.value ?? editor.places.values[id.value] ?? []
  return id.value === 'scale' && parted.value && v.length === 1 ? [v[0], v[0]] : v
})
const joined = computed(() => value.value.length === 1)

function join() {
  if (joined.value) {
    parted.value = true
    return
  }
  parted.value = false
  if ((here.value?.value.length ?? 1) > 1) put({ value: [value.value[0]] })
}
// Where a key can be just outside: a position on all sides, an axis on its two.
const axes: Record<string, string[]> = { x: ['left', 'right'], y: ['above', 'below'] }
const outside = computed((): { id: NonNullable<Key['off']>; name: string }[] => [
  { id: '', name: 'At a place' },
  ...sides
    .filter((s) => axes[id.value]?.includes(s.id) ?? true)
    .map((s) => ({ id: s.id, name: `Just outside, ${s.name.toLowerCase()}` }))
])
const placing = computed(() => ['position', 'x', 'y'].includes(id.value))

// part gives each axis of the position keys of its own, or makes them one again.
const part = (apart: boolean) => editor.run({ type: 'partPosition', layer: editor.selected, apart })

async function put(change: Partial<Key>) {
  const at = { layer: editor.selected, property: id.value, frame: editor.frame }
  const key = { ...(await editor.ask('keyHere', at)), ...change }
  const place = editor.placeOf(editor.selected)
  // A new position key begins where the layer is, "just outside" worked out.
  if (id.value === 'position' && !change.value && !change.off && !here.value && place) key.value = place.position
  else if (axes[id.value] && !change.value && !change.off && !here.value) key.value = value.value
  await editor.run({ type: 'setKey', layer: editor.selected, property: id.value, key })
}

function toggle() {
  if (here.value)
    editor.run({ type: 'removeKeys', keys: [{ layer: editor.selected, property: id.value, frame: editor.frame }] })
  else put({})
}

function set(i: number, v: number) {
  const next = [...value.value]
  next[i] = v
  editor.run({ type: 'setValue', layer: editor.selected, property: id.value, frame: editor.frame, value: next })
}

function setColour(hex: string) {
  editor.run({
    type: 'setValue',
    layer: editor.selected,
    property: id.value,
    frame: editor.frame,
    value: numbersOf(hex, value.value[3])
  })
}

const toKey = (direction: number) =>
  playhead.jump(
    beads.value.map((b) => b.frame),
    direction
  )

const label = (i: number) => {
  const part = value.value.length > 1 ? propertyParts(id.value)[i] : ''
  return part ? `${name.value}, ${part}` : name.value
}
</script>

<template>
  <div class="property">
    <button
      class="plain bead"
      :class="{ here, some: keysOf.length }"
      :aria-label="`${here ? 'Delete' : 'Set'} a key for ${name}`"
      :title="here ? 'Delete the key here' : 'Set a key here'"
      @click="toggle"
    >
      <span />
    </button>
    <span class="name">{{ name }}</span>
    <span v-if="!settable" class="off">no keys</span>
    <span v-else-if="here?.off" class="off">{{ text }}</span>
    <ColourField v-else-if="property.colour" bare :label="name" :value="hexOf(value)" @change="setColour" />
    <span v-else class="numbers" :class="{ between: keysOf.length && !here }">
      <NumberField
        v-for="(v, i) in value"
        :key="i"
        bare
        :label="label(i)"
        :value="v"
        :unit="propertyUnit(id)"
        :hint="label(i)"
        @change="set(i, $event)"
      />
      <IconButton
        :icon="joined ? 'link-45deg' : 'arrows-fullscreen'"
        v-if="id === 'scale' && here"
        :title="joined ? 'Width and height apart' : 'Width and height as one'"
        :label="joined ? 'Width and height apart' : 'Width and height as one'"
        @click="join"
      />
    </span>
    <IconButton
      v-if="placing && keysOf.length && id !== 'y'"
      class="part"
      :icon="id === 'x' ? 'arrows-fullscreen' : 'link-45deg'"
      :title="
        id === 'x'
          ? 'Right and down as one position'
          : 'Right and down apart, each with keys, easing and a string of its own'
      "
      :label="id === 'x' ? 'Right and down as one' : 'Right and down apart'"
      @click="part(id !== 'x')"
    />
    <span v-if="keysOf.length" class="jumps">
      <IconButton icon="chevron-left" :label="`Key of ${name} before`" @click="toKey(-1)" />
      <IconButton icon="chevron-right" :label="`Next key of ${name}`" @click="toKey(1)" />
    </span>
    <ChoiceField
      v-if="placing && here"
      class="sides"
      bare
      :label="`Where the ${name.toLowerCase()} key is`"
      :value="here?.off ?? ''"
      :options="outside"
      @change="put({ off: $event })"
    />
  </div>
</template>

<style scoped>
.property {
  display: grid;
  grid-template-columns: 24px 62px minmax(0, 1fr) 44px;
  gap: 0.25rem;
  align-items: center;
  min-height: 30px;
  font-size: 0.8rem;
}

.numbers {
  display: flex;
  gap: 0.25rem;
}

.numbers :deep(.number) {
  flex: 1;
}

.between :deep(input) {
  color: var(--harbour-soft);
  border-style: dashed;
}

.jumps {
  display: flex;
}

.jumps .plain {
  padding: 0 0.15rem;
}

.off {
  color: var(--harbour-soft);
}

.property:has(.part) {
  grid-template-columns: 24px 62px minmax(0, 1fr) 24px 44px;
}

.property:has(.part) .sides {
  grid-column: 2 / 6;
}

.sides {
  grid-column: 2 / 5;
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
</style>
