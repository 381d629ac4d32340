<script setup lang="ts">
import { computed } from 'vue'
import { useEditor } from '../stores/editor'

// The Tabletop's edge lights up with each beat, more where a bar begins, and fades within a
// quarter of a second.
const editor = useEditor()
const lit = computed(() => {
  const beat = editor.view.beats.filter((b) => b.frame <= editor.frame).at(-1)
  if (!beat) return { strength: 0, down: false }
  const since = (editor.frame - beat.frame) / (editor.clip?.rate ?? 30)
  return { strength: Math.max(0, 1 - since / 0.25), down: beat.down }
})
</script>

<template>
  <div
    class="pulse"
    :class="{ down: lit.down }"
    :style="{ opacity: lit.strength }"
    :data-pulse="lit.strength.toFixed(2)"
    aria-hidden="true"
  />
</template>

<style scoped>
.pulse {
  position: absolute;
  inset: 0;
  z-index: 2;
  pointer-events: none;
  border: 3px solid var(--brass);
}

.pulse.down {
  border-width: 6px;
  border-color: var(--buoy);
}
</style>
