<script setup lang="ts">
import { ref, watch } from 'vue'
import { useTyped } from '../composables/useTyped'
import { useEditor } from '../stores/editor'

// A number that is taken when Enter is pressed or the field is left.
const props = defineProps<{
  label: string
  value: number
  unit?: string
  step?: number
  bare?: boolean
  disabled?: boolean
  hint?: string
}>()
const emit = defineEmits<{ change: [value: number] }>()
const editor = useEditor()
const field = ref<HTMLInputElement | null>(null)
let sent = '' // what was taken and is not the value yet; Enter and leaving both take
const shown = (v: number) => String(Math.round(v * 100) / 100)

const { text, typing, show } = useTyped(() => shown(props.value))
watch(
  () => props.value,
  () => (sent = '')
)

// A value that was refused gives way to the true one.
watch(
  () => editor.version,
  () => {
    if (document.activeElement !== field.value) show()
    sent = ''
  }
)

function take() {
  typing.value = false
  const v = Number(text.value.replace(',', '.').replace(/[%°]/g, '').trim())
  if (text.value.trim() === '' || !Number.isFinite(v)) show()
  else if (shown(v) !== shown(props.value) && shown(v) !== sent) {
    sent = shown(v)
    emit('change', v)
  }
}

function nudge(e: KeyboardEvent, direction: number) {
  e.preventDefault()
  const v = Math.round((Number(text.value) + direction * (props.step ?? 1) * (e.shiftKey ? 10 : 1)) * 100) / 100
  text.value = String(v)
  emit('change', v)
}
</script>

<template>
  <label class="number" :class="{ bare }" :title="hint">
    <span :class="{ 'visually-hidden': bare }">{{ label }}</span>
    <span class="box">
      <input
        ref="field"
        v-model="text"
        inputmode="decimal"
        class="form-control form-control-sm"
        :aria-label="label"
        :disabled="disabled"
        @input="typing = true"
        @change="take"
        @keydown.esc="show"
        @keydown.enter="take"
        @keydown.up="nudge($event, 1)"
        @keydown.down="nudge($event, -1)"
      />
      <span v-if="unit" class="unit">{{ unit }}</span>
    </span>
  </label>
</template>

<style scoped>
.number {
  display: grid;
  gap: 0.05rem;
  font-size: 0.78rem;
  min-width: 0;
}

.box {
  position: relative;
  display: block;
}

input {
  font-size: 0.82rem;
  padding: 0.12rem 0.4rem;
  min-height: 0;
}

.unit {
  position: absolute;
  right: 0.4rem;
  top: 0.15rem;
  color: var(--harbour-soft);
  pointer-events: none;
}
</style>
