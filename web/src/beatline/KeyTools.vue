<script setup lang="ts">
import { computed, ref } from 'vue'
import { useKeys } from './useKeys'
import { useDesk } from '../stores/desk'
import { useEditor } from '../stores/editor'
import IconButton from '../parts/IconButton.vue'
import TimeField from '../parts/TimeField.vue'

// What can be done with the selected keys, beside the transport.
const editor = useEditor()
const desk = useDesk()
const keys = useKeys()

const when = computed(() => {
  const firsts = editor.keys.filter((k) => k.frame === keys.first.value)
  return keys.bead(firsts[0])?.when ?? ''
})

const whenField = ref<InstanceType<typeof TimeField> | null>(null)
function write(text: string) {
  keys.place(text).then(() => whenField.value?.show())
}

function stretch(event: Event) {
  const input = event.target as HTMLInputElement
  const percent = Number(input.value.replace('%', '').replace(',', '.'))
  if (percent > 0) keys.stretch(percent / 100)
  input.value = ''
}

function copyEase() {
  desk.copiedEase = keys.key(editor.keys[0])?.ease ?? null
}
</script>

<template>
  <div class="tools" role="toolbar" aria-label="Selected keys">
    <strong data-test="key-count">{{ keys.count.value === 1 ? '1 key' : `${keys.count.value} keys` }}</strong>
    <TimeField
      ref="whenField"
      wide="5.2rem"
      :value="when"
      label="When the first of them is"
      title="4s05f, bar and beat as b9.3+2, or a frame"
      :read="(text) => editor.ask('readMoment', text)"
      @change="write"
    />
    <template v-if="keys.count.value > 1">
      <input
        class="stretch"
        placeholder="100%"
        aria-label="Stretch to, percent"
        title="Stretch from the first of them"
        @change="stretch"
      />
      <IconButton
        icon="arrow-left-right"
        title="Run backwards"
        label="Run the keys backwards"
        @click="keys.reverse()"
      />
    </template>
    <BDropdown variant="link" size="sm" no-caret toggle-class="plain-toggle" aria-label="Snap">
      <template #button-content><i class="bi bi-magnet" aria-hidden="true" /> Snap</template>
      <BDropdownItem @click="keys.snap('beats')">To the nearest beats</BDropdownItem>
      <BDropdownItem @click="keys.snap('bars')">To the nearest bars</BDropdownItem>
      <BDropdownItem @click="keys.snap('hits')">To the nearest hits</BDropdownItem>
    </BDropdown>
    <IconButton icon="copy" title="Copy (Ctrl C)" label="Copy the keys" @click="keys.copy()" />
    <IconButton icon="bezier2" title="Copy its easing" label="Copy the easing" @click="copyEase" />
    <IconButton
      icon="clipboard-check"
      :disabled="!desk.copiedEase"
      title="Give all of them the copied easing"
      label="Paste the easing"
      @click="desk.copiedEase && keys.ease(desk.copiedEase)"
    />
    <IconButton icon="trash3" title="Delete" label="Delete the keys" @click="keys.remove()" />
  </div>
</template>

<style scoped>
.tools {
  display: flex;
  align-items: center;
  gap: 0.15rem;
  background: var(--chalk);
  border-radius: 6px;
  padding: 0 0.4rem;
  font-size: 0.8rem;
  white-space: nowrap;
}

.tools :deep(.plain-toggle) {
  font-size: 0.8rem;
  color: var(--harbour);
  text-decoration: none;
  padding: 0.15rem 0.35rem;
}

input {
  border: 1px solid var(--line);
  border-radius: 6px;
  background: #fff;
  padding: 0.05rem 0.35rem;
  min-height: 0;
  font-size: 0.8rem;
  width: 74px;
  margin: 0 0.2rem;
}

.stretch {
  width: 54px;
}
</style>
