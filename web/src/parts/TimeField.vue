<script setup lang="ts">
import { ref } from 'vue'
import { useHints } from './useHints'
import type { Reading } from '../types'
import TextField from './TextField.vue'

// A time or a length. While it is written it is said what it will be taken for,
// and what was perhaps meant is offered.
const props = defineProps<{
  label: string
  value: string
  wide?: string // its width, where it does not fill its place
  read: (text: string) => Promise<Reading>
}>()
const emit = defineEmits<{ change: [text: string] }>()
defineOptions({ inheritAttrs: false })
const field = ref<InstanceType<typeof TextField> | null>(null)
const { hint, look, clear } = useHints<Reading>((text) => props.read(text))

defineExpose({ show: () => field.value?.show() })

function typing(text: string) {
  if (text === props.value || !text.trim()) clear()
  else look(text)
}

function take(text: string) {
  clear()
  emit('change', text)
}

function offered() {
  const text = hint.value?.offer
  clear()
  field.value?.show()
  if (text) emit('change', text)
}
</script>

<template>
  <span class="time-field" :style="{ width: wide }">
    <TextField ref="field" v-bind="$attrs" whole :value="value" :label="label" @typing="typing" @change="take" />
    <span v-if="hint" class="reading" :class="{ wrong: hint.problem }" aria-live="polite">
      {{ hint.problem ?? `Taken as ${hint.says}` }}
      <button v-if="hint.offer" class="plain" type="button" data-offer @click="offered">
        Make it {{ hint.offer }}
      </button>
    </span>
  </span>
</template>

<style scoped>
.time-field {
  position: relative;
  display: block;
}

.reading {
  position: absolute;
  z-index: 30;
  top: calc(100% + 2px);
  left: 0;
  width: max-content;
  max-width: 17rem;
  padding: 0.25rem 0.5rem;
  border-radius: 6px;
  background: var(--chalk);
  box-shadow: var(--shade);
  font-size: 0.76rem;
  font-weight: 400;
  line-height: 1.3;
  color: var(--harbour);
}

.reading.wrong {
  color: #9c2f10;
}

.reading .plain {
  display: inline;
  padding: 0 0.3rem;
  font-size: inherit;
  font-weight: 700;
  color: var(--kelp-deep);
}
</style>
