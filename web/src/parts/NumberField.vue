<script setup lang="ts">
import { computed, watch } from 'vue'
import { useStretch } from './useStretch'
import { useTyped } from './useTyped'
import { useEditor } from '../stores/editor'

// A number that goes to the clip while it is typed; a late one is shown in the
// picture at once but kept only when Enter is pressed or the field is left.
const props = defineProps<{
  label: string
  value: number
  unit?: string
  step?: number
  bare?: boolean
  disabled?: boolean
  hint?: string
  late?: boolean
}>()
const emit = defineEmits<{ change: [value: number] }>()
const editor = useEditor()
const stretch = useStretch(() => props.late)
const shown = (v: number) => String(Math.round(v * 100) / 100)
const { text, typing, show } = useTyped(() => shown(props.value))

const read = (said: string) => Number(said.replace(',', '.').replace(/[%°]/g, '').trim() || NaN)
const wrong = computed(() => typing.value && !Number.isFinite(read(text.value)))
const problem = computed(() => {
  if (!wrong.value) return stretch.refusal.value
  return /^-?[.,]?$/.test(text.value.trim()) ? '' : 'This is no number.' // it may become one
})

// A value that was refused gives way to the true one.
watch(
  () => editor.version,
  () => typing.value || show()
)

function type() {
  typing.value = true
  if (!wrong.value && shown(read(text.value)) !== shown(props.value)) write(read(text.value))
}

const write = (v: number) => stretch.write(() => emit('change', v))

function take() {
  if (!typing.value) return
  const is = !wrong.value
  typing.value = false
  stretch.settle()
  if (!is) show()
}

async function takeBack(e: KeyboardEvent) {
  if (typing.value) e.stopPropagation()
  typing.value = false
  await stretch.forget()
  show()
  stretch.leave(e.target)
}

function enter(e: KeyboardEvent) {
  take()
  stretch.leave(e.target)
}

function nudge(e: KeyboardEvent, direction: number) {
  e.preventDefault()
  if (wrong.value) return
  const v = Math.round((read(text.value) + direction * (props.step ?? 1) * (e.shiftKey ? 10 : 1)) * 100) / 100
  typing.value = true
  text.value = String(v)
  write(v)
}
</script>

<template>
  <label class="number" :class="{ bare }" :title="hint">
    <span :class="{ 'visually-hidden': bare }">{{ label }}</span>
    <span class="box">
      <input
        v-model="text"
        inputmode="decimal"
        class="form-control form-control-sm"
        :aria-label="label"
        :disabled="disabled"
        :aria-invalid="problem ? true : undefined"
        @focus="stretch.begin"
        @input="type"
        @change="take"
        @blur="take"
        @keydown.esc="takeBack"
        @keydown.enter="enter"
        @keydown.up="nudge($event, 1)"
        @keydown.down="nudge($event, -1)"
      />
      <span v-if="unit" class="unit">{{ unit }}</span>
    </span>
    <span v-if="problem" class="field-problem" role="alert">{{ problem }}</span>
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
