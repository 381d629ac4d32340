<script setup lang="ts">
import { computed, watch } from 'vue'
import { useStretch } from './useStretch'
import { useTyped } from './useTyped'
import { useEditor } from '../stores/editor'
import type { Checked } from './fields'

// Words that go to the clip while they are typed; whole ones only when Enter is
// pressed or the field is left. What does not pass the check waits, and gives way
// to what was there when the field is left.
const props = defineProps<{
  label: string
  value: string
  rows?: number
  whole?: boolean
  check?: (text: string) => Checked
}>()
const emit = defineEmits<{ change: [value: string]; typing: [value: string] }>()
defineOptions({ inheritAttrs: false })
const editor = useEditor()
const stretch = useStretch(() => false)
const { text, typing, show } = useTyped(() => props.value)

const checked = computed<Checked>(() => (typing.value && props.check ? props.check(text.value) : { ok: true }))
const problem = computed(() => checked.value.problem ?? stretch.refusal.value)

// What was refused gives way to the true value.
watch(
  () => editor.version,
  () => typing.value || show()
)

defineExpose({ show })

function type(e: Event) {
  typing.value = true
  text.value = (e.target as HTMLInputElement).value
  emit('typing', text.value)
  if (!props.whole && checked.value.ok) stretch.write(() => emit('change', text.value))
}

async function take() {
  if (!typing.value) return
  const { ok } = checked.value
  typing.value = false
  if (!ok) {
    await stretch.forget()
    show()
  } else if (!props.whole) stretch.settle()
  else if (text.value !== props.value) emit('change', text.value)
}

async function takeBack(e: KeyboardEvent) {
  if (typing.value) e.stopPropagation()
  typing.value = false
  if (!props.whole) await stretch.forget()
  show()
  emit('typing', text.value)
  stretch.leave(e.target)
}

function enter(e: KeyboardEvent) {
  if (props.rows && !e.ctrlKey && !e.metaKey) return
  take()
  stretch.leave(e.target)
}
</script>

<template>
  <component
    :is="rows ? 'textarea' : 'input'"
    class="form-control form-control-sm"
    v-bind="$attrs"
    :rows="rows"
    :value="text"
    :aria-label="label"
    :aria-invalid="problem ? true : undefined"
    @focus="stretch.begin"
    @input="type"
    @change="take"
    @blur="take"
    @keydown.esc="takeBack"
    @keydown.enter="enter"
  />
  <span v-if="problem" class="field-problem" role="alert">{{ problem }}</span>
</template>

<style scoped>
.form-control {
  font-size: 0.82rem;
  padding: 0.12rem 0.4rem;
  min-height: 0;
}
</style>
