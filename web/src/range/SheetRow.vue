<script setup lang="ts">
import { computed } from 'vue'
import type { Mistake, Product, Prop } from '../types'
import { cell, reads as readsColumn, type Column } from './columns'

// A product in the sheet. What it is given changes only where it looks different, so that the
// other rows stay as they are.
const props = defineProps<{
  index: number
  product: Product
  picture?: Prop
  columns: Column[]
  reads: string
  mistakes?: Mistake[]
  cursor: number // the column in which one is, -1 is none
  typed: string | null // what is being typed there
  from: number // the columns that are chosen, from -1
  to: number
  sticky: number[] // how far from the left the first columns stay
}>()
const emit = defineEmits<{
  down: [column: number, e: PointerEvent]
  over: [column: number]
  open: [column: number]
  whole: [e: PointerEvent]
  input: [text: string]
  key: [e: KeyboardEvent]
  copy: [e: ClipboardEvent]
  cut: [e: ClipboardEvent]
  paste: [e: ClipboardEvent]
  leave: []
}>()

const texts = computed(() =>
  props.columns.map((c) => {
    if (c.id === readsColumn.id) return props.reads
    return c.id === 'prop' ? (props.picture?.name ?? props.product.awaits ?? '') : cell(props.product, c.id, [])
  })
)
</script>

<template>
  <div class="row" role="row" :aria-rowindex="index + 2">
    <div class="number" role="rowheader" @pointerdown="emit('whole', $event)">{{ index + 1 }}</div>
    <div
      v-for="(c, i) in columns"
      :key="c.id"
      class="cell"
      role="gridcell"
      :class="{
        right: c.right,
        read: c.read,
        chosen: i >= from && i <= to && from >= 0,
        here: i === cursor,
        stays: i < sticky.length,
        wrong: mistakes?.some((m) => m.field === c.id && m.wrong),
        odd: mistakes?.some((m) => m.field === c.id && !m.wrong)
      }"
      :style="{ width: c.width + 'px', left: i < sticky.length ? sticky[i] + 'px' : undefined }"
      :title="mistakes?.find((m) => m.field === c.id)?.says"
      :aria-selected="i >= from && i <= to && from >= 0"
      :aria-colindex="i + 2"
      @pointerdown="emit('down', i, $event)"
      @pointerenter="emit('over', i)"
      @dblclick="emit('open', i)"
    >
      <template v-if="c.id === 'prop'">
        <img v-if="picture" :src="`/api/files/${picture.hash}/small`" alt="" loading="lazy" draggable="false" />
        <i
          v-else
          class="bi"
          :class="product.awaits ? 'bi-hourglass' : 'bi-image'"
          :title="product.awaits && `${product.awaits} is not there yet`"
          aria-hidden="true"
        />
        <span class="visually-hidden">{{ texts[i] || 'no picture' }}</span>
      </template>
      <template v-else>{{ texts[i] }}</template>
      <input
        v-if="i === cursor"
        class="pen"
        :class="{ typing: typed !== null, right: c.right }"
        :value="typed ?? ''"
        :aria-label="`${c.name} of ${product.name}: ${texts[i] || 'nothing'}`"
        autocomplete="off"
        spellcheck="false"
        @input="emit('input', ($event.target as HTMLInputElement).value)"
        @keydown="emit('key', $event)"
        @copy="emit('copy', $event)"
        @cut="emit('cut', $event)"
        @paste="emit('paste', $event)"
        @blur="emit('leave')"
      />
    </div>
  </div>
</template>

<style scoped>
.row {
  position: absolute;
  display: flex;
  height: 36px;
  contain: layout style;
}

.number,
.cell {
  position: relative;
  flex: none;
  border-right: 1px solid var(--line);
  border-bottom: 1px solid var(--line);
  background: var(--chalk);
  line-height: 35px;
  padding: 0 0.45rem;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
  cursor: cell;
}

.number {
  position: sticky;
  left: 0;
  z-index: 2;
  width: 40px;
  padding: 0 0.3rem;
  text-align: right;
  color: var(--harbour-soft);
  font-size: 0.75rem;
  background: var(--sailcloth);
}

.stays {
  position: sticky;
  z-index: 1;
}

.right {
  text-align: right;
}

.read {
  color: var(--harbour-soft);
  background: #f8f4ec;
}

.chosen {
  background: #dcebe4;
}

.here {
  overflow: visible;
  text-overflow: clip;
  box-shadow: inset 0 0 0 2px var(--kelp);
  z-index: 1;
}

.wrong,
.odd {
  background-image: linear-gradient(225deg, #b93a17 6px, transparent 6.5px);
  background-repeat: no-repeat;
}

.odd {
  background-image: linear-gradient(225deg, var(--brass) 6px, transparent 6.5px);
}

img {
  display: block;
  width: 100%;
  height: 30px;
  margin-top: 2.5px;
  object-fit: contain;
}

.pen {
  position: absolute;
  inset: 0;
  width: 100%;
  border: 0;
  padding: 0 0.45rem;
  background: none;
  opacity: 0;
  cursor: cell;
  font: inherit;
  color: inherit;
}

.pen.typing {
  opacity: 1;
  background: #fff;
  outline: 2px solid var(--buoy-deep);
  cursor: text;
}

.bi-image,
.bi-hourglass {
  display: block;
  text-align: center;
  opacity: 0.3;
}
</style>
