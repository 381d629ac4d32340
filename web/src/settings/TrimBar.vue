<script setup lang="ts">
import { computed, ref } from 'vue'
import { drag } from '../parts/useDrag'

// The pictures of footage from its beginning to its end, with the part that shows. Its ends are
// dragged; the part itself is slid.
const props = defineProps<{ hash: string; seconds: number; from: number; to: number; now: number }>()
const emit = defineEmits<{ change: [from: number, to: number] }>()
const bar = ref<HTMLElement | null>(null)
const draft = ref<[number, number] | null>(null)
const least = 0.1 // seconds

const part = computed(() => draft.value ?? [props.from, props.to])
const share = (v: number) => `${(100 * v) / Math.max(props.seconds, 0.01)}%`
const rounded = (v: number) => Math.round(v * 1000) / 1000

function moved(what: 'from' | 'to' | 'both', by: number): [number, number] {
  const [from, to] = [props.from, props.to]
  if (what === 'from') return [Math.min(Math.max(0, from + by), to - least), to]
  if (what === 'to') return [from, Math.max(Math.min(props.seconds, to + by), from + least)]
  const slid = Math.min(Math.max(by, -from), props.seconds - to)
  return [from + slid, to + slid]
}

function pull(e: PointerEvent, what: 'from' | 'to' | 'both') {
  const wide = bar.value?.getBoundingClientRect().width ?? 1
  drag(
    e,
    (_, dx) => (draft.value = moved(what, (dx / wide) * props.seconds)),
    (kept) => {
      const [from, to] = part.value
      draft.value = null
      if (kept) emit('change', rounded(from), rounded(to))
    }
  )
}

function nudge(e: KeyboardEvent, what: 'from' | 'to' | 'both') {
  const by = { ArrowLeft: -0.1, ArrowRight: 0.1 }[e.key]
  if (!by) return
  e.preventDefault()
  e.stopPropagation()
  const [from, to] = moved(what, e.shiftKey ? 10 * by : by)
  emit('change', rounded(from), rounded(to))
}
const ends = ['from', 'to'] as const
</script>

<template>
  <div ref="bar" class="trim" :style="{ backgroundImage: `url(/api/files/${hash}/strip)` }">
    <span class="out" :style="{ left: 0, width: share(part[0]) }" />
    <span class="out" :style="{ left: share(part[1]), right: 0 }" />
    <span
      class="part"
      role="slider"
      tabindex="0"
      aria-label="Slide the part that shows"
      :aria-valuenow="part[0]"
      :aria-valuetext="`from ${part[0].toFixed(2)} to ${part[1].toFixed(2)} seconds`"
      title="Slide it: another part shows, as long as before"
      :style="{ left: share(part[0]), width: share(part[1] - part[0]) }"
      @pointerdown="pull($event, 'both')"
      @keydown="nudge($event, 'both')"
    />
    <span
      v-for="(end, i) in ends"
      :key="end"
      class="end"
      :class="end"
      role="slider"
      tabindex="0"
      :aria-label="end === 'from' ? 'Begins at' : 'Ends at'"
      :aria-valuenow="part[i]"
      :aria-valuetext="`${part[i].toFixed(2)} seconds`"
      :style="{ left: share(part[i]) }"
      @pointerdown="pull($event, end)"
      @keydown="nudge($event, end)"
    />
    <span class="now" :style="{ left: share(now) }" aria-hidden="true" />
  </div>
  <p class="of">
    {{ part[0].toFixed(2) }} to {{ part[1].toFixed(2) }} s <span>of {{ seconds.toFixed(2) }} s</span>
  </p>
</template>

<style scoped>
.trim {
  position: relative;
  height: 44px;
  border-radius: 6px;
  background-color: #20343a;
  background-size: 100% 100%;
  touch-action: none;
}

.out {
  position: absolute;
  top: 0;
  bottom: 0;
  background: rgb(243 238 228 / 78%);
}

.part {
  position: absolute;
  top: 0;
  bottom: 0;
  border: 2px solid var(--brass);
  cursor: grab;
}

.end {
  position: absolute;
  top: -3px;
  bottom: -3px;
  width: 10px;
  margin-left: -5px;
  border-radius: 5px;
  background: var(--chalk);
  border: 2px solid var(--brass-deep);
  cursor: ew-resize;
}

.now {
  position: absolute;
  top: 0;
  bottom: 0;
  width: 2px;
  margin-left: -1px;
  background: var(--buoy);
  pointer-events: none;
}

.of {
  margin: 0.2rem 0 0.3rem;
  font-size: 0.78rem;
  font-variant-numeric: tabular-nums;
}

.of span {
  color: var(--harbour-soft);
}
</style>
