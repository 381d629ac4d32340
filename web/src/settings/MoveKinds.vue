<script setup lang="ts">
import { computed } from 'vue'
import { useResting } from '../tabletop/useResting'
import { usePlayhead } from '../player/usePlayhead'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'
import type { Command, Move } from '../types'
import { moveKinds } from '../words'

// The moves that can be given. While the pointer rests on one, or the keyboard is
// on it, what is chosen plays it in the picture.
const emit = defineEmits<{ add: [id: string] }>()
const editor = useEditor()
const { here } = usePlayhead()

// Some are for a kind of layers alone.
const offered = computed(() => {
  const chosen = editor.chosen.map((id) => editor.layers.get(id)?.kind as string)
  return moveKinds.filter((k) => !k.of || chosen.every((kind) => kind === k.of))
})

// A new move begins at the playhead, bound to the beat that is there.
async function drafts(kind: Move['kind']) {
  const at = here()
  const layers = editor.chosen.length ? editor.chosen : [editor.selected]
  const moves = await Promise.all(layers.map((layer) => editor.ask('draftMove', { kind, layer, at })))
  return layers.map((layer, i) => ({ layer, move: moves[i] }))
}

const commands = (all: { layer: string; move: Move }[]): Command[] => all.map((d) => ({ type: 'setMove', ...d }))

const { point, rest, leave, play } = useResting<Move['kind']>(async (kind, wanted) => {
  const all = await drafts(kind)
  const spans = await Promise.all(all.map((d) => editor.ask('moveFrames', d)))
  const from = Math.min(...spans.map((s) => s.from))
  const to = Math.max(...spans.map((s) => s.to))
  if (wanted()) await play({ type: 'batch', commands: commands(all) }, from, to)
})

async function add(kind: Move['kind']) {
  leave()
  const had = new Set(editor.layer?.moves?.map((m) => m.id))
  try {
    if (!(await editor.runAll(commands(await drafts(kind))))) return
    emit('add', editor.layer?.moves?.find((m) => !had.has(m.id))?.id ?? '')
  } catch (e) {
    useNotices().fail(e)
  }
}
</script>

<template>
  <div class="kinds" @pointerleave="leave">
    <button
      v-for="k in offered"
      :key="k.id"
      class="plain kind"
      :title="k.says"
      :data-move-kind="k.id"
      @pointermove="point($event, k.id)"
      @pointerleave="leave"
      @focus="rest(k.id)"
      @blur="leave"
      @click="add(k.id)"
    >
      <i :class="`bi bi-${k.icon}`" aria-hidden="true" />
      <span
        ><b>{{ k.name }}</b
        ><small>{{ k.says }}</small></span
      >
    </button>
  </div>
</template>

<style scoped>
.kinds {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(10.4rem, 1fr));
  gap: 0.1rem 0.4rem;
}

.kind {
  display: flex;
  gap: 0.5rem;
  align-items: center;
  text-align: left;
  line-height: 1.15;
  min-height: 30px;
}

.kind i {
  font-size: 1.05rem;
}

.kind b {
  display: block;
  font-size: 0.8rem;
}

.kind small {
  color: var(--harbour-soft);
  font-size: 0.74rem;
}
</style>
