<script setup lang="ts">
import { computed } from 'vue'
import IconButton from '../parts/IconButton.vue'
import type { Cutter } from './useCutter'
import type { OrderSteps } from './useOrder'

// Which picture of footage is looked at, and on which there are strokes.
const props = defineProps<{ cutter: Cutter; steps: OrderSteps }>()
const count = computed(() => props.cutter.size.value?.frames ?? 1)
const frame = computed(() => props.cutter.frame.value)
const painted = computed(() => [...new Set(props.steps.strokes.value.map((s) => s.frame ?? 0))].sort((a, b) => a - b))
const place = (n: number) => (count.value > 1 ? (100 * n) / (count.value - 1) : 0)
</script>

<template>
  <div class="bar" role="group" aria-label="Pictures of the footage">
    <IconButton
      icon="chevron-left"
      label="The picture before"
      title="The picture before (Left)"
      @click="cutter.show(frame - 1)"
    />
    <div class="way">
      <input
        type="range"
        aria-label="Picture"
        :aria-valuetext="`Picture ${frame + 1} of ${count}`"
        min="0"
        :max="count - 1"
        :value="frame"
        @input="cutter.show(Number(($event.target as HTMLInputElement).value))"
      />
      <span class="marks">
        <button
          v-for="n in painted"
          :key="n"
          :style="{ left: `${place(n)}%` }"
          :class="{ here: n === frame }"
          :aria-label="`Strokes on picture ${n + 1}`"
          :title="`Strokes on picture ${n + 1}`"
          @click="cutter.show(n)"
        />
      </span>
    </div>
    <IconButton
      icon="chevron-right"
      label="The next picture"
      title="The next picture (Right)"
      @click="cutter.show(frame + 1)"
    />
    <span class="count">Picture {{ frame + 1 }} of {{ count }}</span>
    <span class="hint">{{
      painted.length
        ? 'What you painted is carried through all pictures.'
        : 'Paint on one picture where it is wrong: it is carried through the others.'
    }}</span>
  </div>
</template>

<style scoped>
.bar {
  display: flex;
  align-items: center;
  gap: 0.5rem;
  padding: 0.2rem 0.9rem;
  border-top: 1px solid var(--line);
  min-width: 0;
}

.way {
  position: relative;
  flex: 1 1 12rem;
  min-width: 8rem;
}

input {
  display: block;
  width: 100%;
  margin: 0;
  accent-color: var(--buoy);
}

.marks {
  position: absolute;
  inset: auto 8px -14px;
  height: 24px;
  pointer-events: none;
}

.marks button {
  position: absolute;
  width: 24px;
  height: 24px;
  padding: 0;
  border: 0;
  background: radial-gradient(circle, var(--kelp) 4px, transparent 4.5px);
  transform: translateX(-50%);
  pointer-events: auto;
}

.marks .here {
  background: radial-gradient(circle, var(--kelp-deep) 6px, transparent 6.5px);
}

.count {
  min-width: 7.5rem;
  font-size: 0.84rem;
  font-variant-numeric: tabular-nums;
}

.hint {
  color: var(--harbour-soft);
  font-size: 0.78rem;
}
</style>
