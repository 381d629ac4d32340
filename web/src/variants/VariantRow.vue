<script setup lang="ts">
import { languages } from '../gen/catalogue'
import type { Shape, Varied, Variant } from '../types'
import { shapeName } from '../words'
import type { Row, Variants } from './useVariants'

// A product in a language: a poster of it in each shape.
defineProps<{
  index: number
  row: Row
  shapes: Shape[]
  widths: number[]
  variants: Variants
  found: (Varied | undefined)[]
  now: number // the column that is chosen, -1 is none
}>()
const emit = defineEmits<{ choose: [v: Variant]; adjust: [v: Variant] }>()
const said = (v?: Varied) => v?.findings.map((f) => (f.layer ? `${f.layer}: ${f.says}` : f.says)).join('\n')
</script>

<template>
  <div class="row" role="row" :aria-rowindex="index + 2">
    <div class="name" role="rowheader">
      <strong>{{
        row.language ? (row.product.spoken?.[row.language]?.name ?? row.product.name) : row.product.name
      }}</strong>
      <span>{{ row.product.price }} {{ row.product.currency }}</span>
      <small v-if="row.language">{{ languages.find((l) => l.id === row.language)?.name }}</small>
    </div>
    <div
      v-for="(s, i) in shapes"
      :key="s.id"
      class="cell"
      role="gridcell"
      :class="{ now: i === now }"
      :style="{ width: widths[i] + 24 + 'px' }"
      :tabindex="i === now ? 0 : -1"
      :aria-selected="i === now"
      :aria-label="`${row.product.name}, ${shapeName(s.id)}${found[i]?.findings.length ? `: ${said(found[i])}` : ''}`"
      :title="said(found[i])"
      @pointerdown="emit('choose', variants.variantOf(row, s.id))"
      @dblclick="emit('adjust', variants.variantOf(row, s.id))"
    >
      <img
        v-if="variants.revision.value"
        :src="variants.poster(variants.variantOf(row, s.id))"
        alt=""
        draggable="false"
        :style="{ width: widths[i] + 'px', aspectRatio: `${s.w} / ${s.h}` }"
      />
      <span class="marks">
        <i v-if="found[i]?.adjusted" class="bi bi-pencil adjusted" title="Adjusted by itself" aria-hidden="true" />
        <i
          v-if="found[i]?.findings.length"
          class="bi"
          :class="found[i]?.findings.some((f) => f.stops) ? 'bi-exclamation-triangle stops' : 'bi-question-circle odd'"
          aria-hidden="true"
        />
      </span>
    </div>
  </div>
</template>

<style scoped>
.row {
  position: absolute;
  display: flex;
  height: 176px;
  min-width: 100%;
  width: max-content;
  border-bottom: 1px solid var(--line);
  contain: layout style;
}

.name {
  flex: none;
  width: 176px;
  padding: 0.7rem;
  display: flex;
  flex-direction: column;
}

.name span,
.name small {
  color: var(--harbour-soft);
}

.cell {
  flex: none;
  position: relative;
  display: grid;
  place-items: center;
  cursor: pointer;
}

.cell.now {
  background: #dcebe4;
  box-shadow: inset 0 0 0 2px var(--kelp);
}

img {
  display: block;
  background: #828282;
  box-shadow: var(--shade);
}

.marks {
  position: absolute;
  right: 6px;
  top: 6px;
  display: flex;
  gap: 3px;
}

.marks i {
  display: grid;
  place-items: center;
  width: 20px;
  height: 20px;
  border-radius: 50%;
  font-size: 0.72rem;
  background: var(--chalk);
  box-shadow: var(--shade);
}

.stops {
  color: #9c2f10;
}

.odd {
  color: var(--brass-deep);
}

.adjusted {
  color: var(--kelp-deep);
}
</style>
