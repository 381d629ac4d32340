<script setup lang="ts">
import { computed, onMounted } from 'vue'
import ChoiceField from '../parts/ChoiceField.vue'
import { useShelf } from '../shelf/useShelf'
import { useDesk } from '../stores/desk'
import { useEditor } from '../stores/editor'
import type { Command, Move, Prop } from '../types'

// The sound that a move comes with: it begins and ends with the move, and is heard where that is.
const props = defineProps<{ move: Move }>()
const editor = useEditor()
const desk = useDesk()
const shelf = useShelf()
onMounted(shelf.load)
const longest = 8 // seconds: what is longer is a tune

const now = computed(
  () => editor.clip?.sounds?.find((s) => s.with?.layer === editor.selected && s.with.move === props.move.id)?.prop
)
const known = computed(() => {
  const all = new Map<string, Prop>()
  for (const p of [...(editor.clip?.props ?? []), ...shelf.all.value.map((s) => s.prop)])
    if (p.sound && p.sound.seconds <= longest && !all.has(p.hash)) all.set(p.hash, p)
  return [...all.values()]
})
const chosen = computed(() => editor.clip?.props.find((p) => p.id === now.value)?.hash ?? '')

function set(hash: string) {
  const prop = known.value.find((p) => p.hash === hash)
  const has = editor.clip?.props.find((p) => p.hash === hash)
  const bring: Command = {
    type: 'soundOfMove',
    layer: editor.selected,
    move: props.move.id,
    prop: has?.id ?? prop?.id ?? ''
  }
  editor.runAll(prop && !has ? [{ type: 'addProp', prop }, bring] : [bring])
}

function stock() {
  desk.panel = 'props'
  desk.source = 'stock'
}
</script>

<template>
  <div class="sound">
    <ChoiceField
      v-if="known.length"
      label="Comes with"
      :value="chosen"
      :options="[{ id: '', name: 'No sound' }, ...known.map((p) => ({ id: p.hash, name: p.name }))]"
      @change="set"
    />
    <button v-else class="plain" title="Whooshes, pops and thuds" @click="stock">
      <i class="bi bi-soundwave" aria-hidden="true" /> Take a sound for it from Stock
    </button>
  </div>
</template>

<style scoped>
.sound {
  font-size: 0.8rem;
}
</style>
