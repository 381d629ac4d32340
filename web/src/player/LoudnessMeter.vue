<script setup lang="ts">
import { computed } from 'vue'
import { useDesk } from '../stores/desk'
import { useEditor } from '../stores/editor'

// How loud it is at the playhead, over the last 400 ms.
const editor = useEditor()
const desk = useDesk()

const softest = -42 // LUFS where the meter begins
const now = computed(() => {
  const tenths = Math.floor((editor.frame / (editor.clip?.rate ?? 30)) * 10) - 4
  return desk.loudness?.momentary[tenths] ?? -70
})
const share = computed(() => Math.max(0, Math.min(1, (now.value - softest) / -softest)))
</script>

<template>
  <span
    v-if="desk.loudness && !desk.loudness.silent"
    class="meter"
    role="meter"
    aria-label="Loudness now"
    :aria-valuenow="now"
    :aria-valuemin="-70"
    :aria-valuemax="0"
    :aria-valuetext="`${now.toFixed(0)} LUFS`"
    :title="`${now.toFixed(1)} LUFS now; ${desk.loudness.lufs.toFixed(1)} on the whole`"
  >
    <span :style="{ transform: `scaleX(${share})` }" />
  </span>
</template>

<style scoped>
.meter {
  flex: none;
  width: 46px;
  height: 8px;
  margin: 0 0.5rem;
  overflow: hidden;
  border-radius: 2px;
  background: rgba(23, 63, 71, 0.14);
}

.meter span {
  display: block;
  width: 100%;
  height: 100%;
  background: linear-gradient(90deg, var(--kelp) 60%, var(--brass) 82%, var(--buoy));
  transform-origin: left;
}
</style>
