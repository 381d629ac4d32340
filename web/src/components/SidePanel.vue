<script setup lang="ts">
import { ref, watch } from 'vue'
import { useEditor } from '../stores/editor'
import ClipSettings from './ClipSettings.vue'
import LayerSettings from './LayerSettings.vue'
import MotionSettings from './MotionSettings.vue'
import PropsShelf from './PropsShelf.vue'

const editor = useEditor()
const tab = ref<'layer' | 'motion' | 'props' | 'clip'>('props')
const tabs = [
  { id: 'props', name: 'Props' },
  { id: 'layer', name: 'Layer' },
  { id: 'motion', name: 'Motion' },
  { id: 'clip', name: 'Clip and light' }
] as const

watch(
  () => editor.selected,
  (s) => {
    if (s && tab.value !== 'motion') tab.value = 'layer'
  }
)
watch(
  () => editor.chosen.length > 1 || editor.keys.length > 0,
  (several) => {
    if (several) tab.value = 'motion'
  }
)
</script>

<template>
  <section class="side" aria-label="Settings">
    <div class="tabs" role="tablist">
      <button
        v-for="t in tabs"
        :key="t.id"
        role="tab"
        class="plain"
        :class="{ current: tab === t.id }"
        :aria-selected="tab === t.id"
        @click="tab = t.id"
      >
        {{ t.name }}
      </button>
    </div>
    <div class="body">
      <div class="flow" :class="{ shelf: tab === 'props' }">
        <LayerSettings v-if="tab === 'layer'" />
        <MotionSettings v-else-if="tab === 'motion'" />
        <PropsShelf v-else-if="tab === 'props'" />
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

.flow:not(.shelf) {
  columns: 250px 3;
  column-gap: 1.4rem;
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
  flex: 1;
  overflow: hidden auto;
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
