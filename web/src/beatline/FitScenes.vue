<script setup lang="ts">
import { onClickOutside } from '@vueuse/core'
import { ref, shallowRef, watch } from 'vue'
import RetimingText from '../sound/RetimingText.vue'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'
import type { Command, Retiming } from '../types'

// Lets scenes end on bars or beats; how long they become is told first.
const editor = useEditor()
const open = ref(false)
const unit = ref<'bars' | 'beats'>('bars')
const change = shallowRef<Retiming | null>(null)
const box = ref<HTMLElement | null>(null)
onClickOutside(box, () => (open.value = false))

const command = (): Command => ({ type: 'fitScenes', unit: unit.value })
watch([open, unit, () => editor.version], async ([is]) => {
  if (!is) return
  try {
    change.value = await editor.ask('retiming', { command: command(), keep: false })
  } catch (e) {
    open.value = false
    useNotices().fail(e)
  }
})

async function fit() {
  open.value = false
  await editor.run(command())
}
</script>

<template>
  <div ref="box" class="fit" @keydown.esc="open = false">
    <button
      class="plain"
      title="Let scenes end on bars or beats"
      aria-label="Fit scenes to the music"
      :aria-expanded="open"
      @click="open = !open"
    >
      <i class="bi bi-distribute-horizontal" aria-hidden="true" />
    </button>
    <div v-if="open" class="offer" data-offer role="dialog" aria-label="Fit scenes to the music">
      <label><input v-model="unit" type="radio" name="unit" value="bars" /> Scenes end on bars</label>
      <label><input v-model="unit" type="radio" name="unit" value="beats" /> Scenes end on beats</label>
      <RetimingText v-if="change" :change="change" />
      <BButton class="btn-act" :variant="null" size="sm" @click="fit">Fit them</BButton>
    </div>
  </div>
</template>

<style scoped>
.fit > button {
  min-height: 24px;
  min-width: 24px;
  padding: 0 0.3rem;
}

.offer {
  position: fixed;
  z-index: 20;
  bottom: 12px;
  left: 12px;
  width: 19rem;
  padding: 0.7rem 0.8rem;
  border-radius: 6px;
  background: var(--chalk);
  box-shadow: var(--shade);
  border: 1px solid var(--line);
  font-size: 0.82rem;
}

.offer label {
  display: block;
  min-height: 24px;
}
</style>
