<script setup lang="ts">
import { ref, watch } from 'vue'
import { useDesk } from '../stores/desk'
import { useEditor } from '../stores/editor'
import LookPanel from '../look/LookPanel.vue'
import ClipSettings from './ClipSettings.vue'
import LayerSettings from './LayerSettings.vue'
import MotionSettings from './MotionSettings.vue'
import PropsShelf from '../shelf/PropsShelf.vue'

const editor = useEditor()
const desk = useDesk()
const tabs = [
  { id: 'props', name: 'Props' },
  { id: 'layer', name: 'Layer' },
  { id: 'look', name: 'Look' },
  { id: 'motion', name: 'Motion' },
  { id: 'clip', name: 'Clip and light' }
] as const

watch(
  () => editor.selected,
  (s) => {
    if (s && desk.panel !== 'motion' && desk.panel !== 'look') desk.panel = 'layer'
  }
)
watch(
  () => editor.chosen.length > 1 || editor.keys.length > 0,
  (several) => {
    if (several) desk.panel = 'motion'
  }
)

// Other settings begin at their top, and what comes later does not move what is there.
const body = ref<HTMLElement | null>(null)
watch(
  () => desk.panel,
  () => body.value?.scrollTo({ top: 0 }),
  { flush: 'post' }
)

// Arrow keys go from one to the next.
function walk(e: KeyboardEvent) {
  const way = { ArrowLeft: -1, ArrowRight: 1 }[e.key]
  if (!way) return
  e.preventDefault()
  e.stopPropagation()
  const at = tabs.findIndex((t) => t.id === desk.panel)
  desk.panel = tabs[(at + way + tabs.length) % tabs.length].id
  ;(e.currentTarget as HTMLElement).querySelector<HTMLElement>(`[data-panel=${desk.panel}]`)?.focus()
}
</script>

<template>
  <section class="side" aria-label="Settings">
    <div class="tabs" role="tablist" aria-label="Settings" @keydown="walk">
      <button
        v-for="t in tabs"
        :key="t.id"
        role="tab"
        class="plain"
        :class="{ current: desk.panel === t.id }"
        :aria-selected="desk.panel === t.id"
        :data-panel="t.id"
        @click="desk.panel = t.id"
      >
        {{ t.name }}
      </button>
    </div>
    <div ref="body" class="body">
      <div class="flow" :class="{ shelf: desk.panel === 'props' || desk.panel === 'look' }">
        <LayerSettings v-if="desk.panel === 'layer'" />
        <LookPanel v-else-if="desk.panel === 'look'" />
        <MotionSettings v-else-if="desk.panel === 'motion'" />
        <PropsShelf v-else-if="desk.panel === 'props'" />
        <ClipSettings v-else />
      </div>
    </div>
  </section>
</template>

<style scoped>
.side {
  grid-area: side;
  display: flex;
  flex-direction: column;
  background: var(--chalk);
  min-width: 0;
  min-height: 0;
}

/* Columns make every change in them cost: one stands without. */
@container (min-width: 521px) {
  .flow:not(.shelf) {
    columns: 250px 3;
    column-gap: 1.4rem;
  }
}

.flow :deep(:is(.pair, .three, .head, .acts, label, .choice, .number, .colour, li)) {
  break-inside: avoid;
}

.flow :deep(:is(h2, summary)) {
  break-after: avoid;
}

.tabs {
  display: flex;
  gap: 0.1rem;
  padding: 0.35rem 0.5rem 0;
  border-bottom: 1px solid var(--line);
}

.tabs button {
  border-radius: 6px 6px 0 0;
  border-bottom: 3px solid transparent;
  padding: 0.2rem 0.5rem 0.25rem;
  white-space: nowrap;
}

.tabs .current {
  border-bottom-color: var(--brass);
  font-weight: 700;
}

.body {
  container-type: inline-size;
  flex: 1;
  overflow: hidden auto;
  overflow-anchor: none;
  padding: 0.6rem 0.75rem 1rem;
  scrollbar-width: thin;
}

.body :deep(h2) {
  font-size: 0.86rem;
  margin: 0.9rem 0 0.35rem;
}

.body :deep(h2:first-child) {
  margin-top: 0;
}

.body :deep(* + div > h2:first-child) {
  margin-top: 0.9rem;
}

.body :deep(.pair) {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.4rem 0.5rem;
  align-items: end;
}

.body :deep(.three) {
  display: grid;
  grid-template-columns: 1fr 1fr 1fr;
  gap: 0.4rem 0.5rem;
  align-items: end;
}

.body :deep(.acts) {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.25rem;
}

.body :deep(.acts button) {
  border: 1px solid var(--line);
  font-size: 0.78rem;
  text-align: left;
}

.body :deep(summary) {
  font: 700 0.86rem 'Bricolage Grotesque';
  margin: 0.7rem 0 0.35rem;
  cursor: pointer;
}

.body :deep(summary small) {
  font: 400 0.76rem 'Hanken Grotesk';
  color: var(--harbour-soft);
  margin-left: 0.3rem;
}

.body :deep(.says) {
  color: var(--harbour-soft);
  font-size: 0.78rem;
  margin: 0 0 0.4rem;
}

.body :deep(.check) {
  font-size: 0.78rem;
  display: flex;
  gap: 0.35rem;
  align-items: center;
}
</style>
