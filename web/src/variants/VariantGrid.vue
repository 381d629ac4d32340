<script setup lang="ts">
import { computed, nextTick, watch } from 'vue'
import { useEditor } from '../stores/editor'
import type { Variant } from '../types'
import { shapeName, shapeRatio } from '../words'
import { idOf, type Variants } from './useVariants'
import { useLongList } from '../parts/useLongList'
import VariantRow from './VariantRow.vue'

// Products by shapes: only the rows that are seen are there.
const props = defineProps<{ variants: Variants; now: Variant | null }>()
const emit = defineEmits<{ choose: [v: Variant]; adjust: [v: Variant] }>()
const editor = useEditor()
const high = 176
const tall = 156 // of a poster
const { rows, shapes, found } = props.variants
const { scroller, size, seen, page, scrolled, reveal } = useLongList(() => rows.value.length, {
  high,
  head: 30,
  more: 1
})
const room = 24 // beside a poster
// As high as a row, or smaller where all shapes would not be seen otherwise.
const widths = computed(() => {
  const wide = shapes.value.map((s) => Math.min(tall, (tall * 1.4 * s.h) / s.w) * (s.w / s.h))
  const all = wide.reduce((sum, w) => sum + w, 0)
  const k = size.width.value ? Math.min(1, (size.width.value - 176 - room * wide.length - 18) / all) : 1
  return wide.map((w) => Math.max(32, Math.floor(w * k)))
})
const at = computed(() => {
  const v = props.now
  const row = rows.value.findIndex((r) => r.product.id === v?.product && r.language === (v?.language ?? ''))
  return { row, column: shapes.value.findIndex((s) => s.id === v?.shape) }
})

function go(row: number, column: number) {
  const r = rows.value[Math.max(0, Math.min(rows.value.length - 1, row))]
  const s = shapes.value[Math.max(0, Math.min(shapes.value.length - 1, column))]
  if (r && s) emit('choose', props.variants.variantOf(r, s.id))
}

function key(e: KeyboardEvent) {
  const { row, column } = at.value
  const to: Record<string, [number, number]> = {
    ArrowUp: [row - 1, column],
    ArrowDown: [row + 1, column],
    ArrowLeft: [row, column - 1],
    ArrowRight: [row, column + 1],
    PageUp: [row - page.value, column],
    PageDown: [row + page.value, column],
    Home: [0, column],
    End: [rows.value.length - 1, column]
  }
  if (to[e.key]) go(...to[e.key])
  else if (e.key === 'Enter' && props.now) emit('adjust', props.now)
  else return
  e.preventDefault()
}

// What is chosen comes into sight, and the keyboard goes along.
watch(at, async ({ row }) => {
  const el = scroller.value
  if (!el || row < 0) return
  reveal(row)
  await nextTick()
  if (el.contains(document.activeElement))
    el.querySelector<HTMLElement>('[tabindex="0"]')?.focus({ preventScroll: true })
})
</script>

<template>
  <div
    ref="scroller"
    class="scroller"
    role="grid"
    :aria-label="`Variants of ${editor.clip?.name}`"
    :aria-rowcount="rows.length + 1"
    :aria-colcount="shapes.length + 1"
    @scroll.passive="scrolled"
    @keydown="key"
  >
    <div class="head" role="row" aria-rowindex="1">
      <div class="name" role="columnheader">Product</div>
      <div v-for="(s, i) in shapes" :key="s.id" role="columnheader" :style="{ width: widths[i] + 24 + 'px' }">
        {{ shapeName(s.id) }} <small>{{ shapeRatio(s.id) }}</small>
      </div>
    </div>
    <div class="all" :style="{ height: rows.length * high + 'px' }">
      <VariantRow
        v-for="r in seen"
        :key="`${rows[r].product.id}.${rows[r].language}`"
        :index="r"
        :row="rows[r]"
        :shapes="shapes"
        :widths="widths"
        :variants="variants"
        :found="shapes.map((s) => found.get(idOf(variants.variantOf(rows[r], s.id))))"
        :now="at.row === r ? at.column : -1"
        :style="{ transform: `translateY(${r * high}px)` }"
        @choose="emit('choose', $event)"
        @adjust="emit('adjust', $event)"
      />
    </div>
  </div>
</template>

<style scoped>
.scroller {
  overflow: auto;
  position: relative;
  border: 1px solid var(--line);
  border-radius: 6px;
  background: var(--chalk);
}

.head {
  position: sticky;
  top: 0;
  z-index: 2;
  display: flex;
  width: max-content;
  min-width: 100%;
  background: var(--sailcloth);
  border-bottom: 1px solid var(--line);
  font-weight: 700;
  font-size: 0.78rem;
  line-height: 29px;
}

.head > div {
  flex: none;
  text-align: center;
  white-space: nowrap;
}

.head small {
  font-weight: 400;
}

.head > .name {
  width: 176px;
  padding-left: 0.7rem;
  text-align: left;
}

.all {
  position: relative;
}
</style>
