<script setup lang="ts">
import { useDesk } from '../stores/desk'
import { useEditor } from '../stores/editor'
import IconButton from '../parts/IconButton.vue'
import KeyTools from './KeyTools.vue'

// What belongs to the Beatline as a whole, and to the keys that are selected on it.
const editor = useEditor()
const desk = useDesk()
</script>

<template>
  <div class="beatbar" role="toolbar" aria-label="Beatline">
    <input
      id="find-layer"
      v-model="desk.finding"
      type="search"
      placeholder="Find a layer"
      aria-label="Find a layer by its name"
      @keydown.esc="desk.finding = ''"
    />
    <span class="flex-fill" />
    <KeyTools v-if="editor.keys.length && !editor.playing" />
    <button v-else class="plain hint" @click="desk.helping = true"><kbd>?</kbd> shortcuts</button>
    <IconButton
      icon="speedometer2"
      :pressed="desk.speed"
      title="Show how fast values change, in open rows"
      label="Curves of speed"
      @click="desk.speed = !desk.speed"
    />
    <label class="zoom">
      <i class="bi bi-zoom-in" aria-hidden="true" />
      <input v-model.number="desk.zoom" type="range" min="1" max="32" step="0.25" aria-label="Zoom of the Beatline" />
    </label>
  </div>
</template>

<style scoped>
.beatbar {
  grid-area: tools;
  display: flex;
  align-items: center;
  justify-content: flex-end;
  gap: 0.2rem;
  padding: 0 0.7rem;
  min-width: 0;
  white-space: nowrap;
}

#find-layer {
  flex: 0 1 9rem;
  min-width: 3rem;
  border: 1px solid var(--line);
  border-radius: 6px;
  background: var(--chalk);
  color: inherit;
  font-size: 0.78rem;
  padding: 0.1rem 0.4rem;
}

.hint {
  color: var(--harbour-soft);
  font-size: 0.8rem;
}

.zoom {
  display: flex;
  gap: 0.3rem;
  align-items: center;
  margin-left: 0.5rem;
}

.zoom input {
  width: 84px;
}
</style>
