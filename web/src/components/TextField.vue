<script setup lang="ts">
import { watch } from 'vue'
import { useTyped } from '../composables/useTyped'
import { useEditor } from '../stores/editor'

// Words that are taken when Enter is pressed or the field is left. Needed ones
// come back when nothing is left of them.
const props = defineProps<{ label: string; value: string; rows?: number; needed?: boolean }>()
const emit = defineEmits<{ change: [value: string] }>()
const editor = useEditor()
const { text, typing, show } = useTyped(() => props.value)

// What was refused gives way to the true value.
watch(
  () => editor.version,
  () => typing.value || show()
)

defineExpose({ show })

function take() {
  typing.value = false
  if (props.needed && !text.value.trim()) show()
  else if (text.value !== props.value) emit('change', text.value)
}
</script>

<template>
  <component
    :is="rows ? 'textarea' : 'input'"
    class="form-control form-control-sm"
    :rows="rows"
    :value="text"
    :aria-label="label"
    @input="((typing = true), (text = ($event.target as HTMLInputElement).value))"
    @change="take"
    @keydown.esc="show"
  />
</template>
