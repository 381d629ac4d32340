<script setup lang="ts">
import type { useArrangement } from './useArrangement'
import { drag } from '../parts/useDrag'

// The lines between the picture, the settings and the Beatline: dragged, moved
// with arrow keys, or put back with a double click.
const props = defineProps<{ arrangement: ReturnType<typeof useArrangement> }>()
type Divider = (typeof props.arrangement.dividers.value)[number]

// How large what a divider makes larger is, in pixels.
const size = (d: Divider) => (d.sign > 0 ? d.at : d.whole - d.at)

function press(e: PointerEvent, d: Divider) {
  const from = size(d)
  drag(
    e,
    (_, dx, dy) => props.arrangement.move(d.id, (from + d.sign * (d.upright ? dx : dy)) / d.whole),
    () => undefined
  )
}

function nudge(e: KeyboardEvent, d: Divider) {
  const by = { ArrowRight: 16, ArrowLeft: -16, ArrowDown: 16, ArrowUp: -16 }[e.key]
  if (!by || d.upright !== (e.key === 'ArrowRight' || e.key === 'ArrowLeft')) return
  e.preventDefault()
  e.stopPropagation()
  props.arrangement.move(d.id, (size(d) + d.sign * by) / d.whole)
}

const names: Record<string, string> = { column: 'Width of the picture', beat: 'Height of the Beatline' }
</script>

<template>
  <div
    v-for="d in arrangement.dividers.value"
    :key="d.id"
    class="divider"
    :class="{ upright: d.upright }"
    role="separator"
    tabindex="0"
    :aria-label="names[d.id]"
    :aria-orientation="d.upright ? 'vertical' : 'horizontal'"
    :aria-valuenow="Math.round((100 * size(d)) / d.whole)"
    :style="
      d.upright
        ? { left: `${d.at - 3}px`, top: `${d.from}px`, height: `${d.to - d.from}px` }
        : { top: `${d.at - 3}px`, left: `${d.from}px`, width: `${d.to - d.from}px` }
    "
    title="Drag; a double click puts it back"
    @pointerdown="press($event, d)"
    @keydown="nudge($event, d)"
    @dblclick="arrangement.reset(d.id)"
  />
</template>

<style scoped>
.divider {
  position: fixed;
  z-index: 20;
  height: 6px;
  cursor: row-resize;
  touch-action: none;
}

.divider.upright {
  width: 6px;
  cursor: col-resize;
}

.divider:hover,
.divider:focus-visible {
  background: var(--brass);
}
</style>
