<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, nextTick, watch } from 'vue'
import type { Range } from './useRange'
import { useSheet, type Place } from './useSheet'
import { useLongList } from '../parts/useLongList'
import SheetRow from './SheetRow.vue'

// The products as a sheet: only the rows that are seen are there.
const props = defineProps<{ range: Range }>()
const emit = defineEmits<{ paste: [text: string, at: Place]; open: [at: Place]; at: [at: Place] }>()
const high = 36
const number = 40
const range = props.range
const list = range.found
const columns = range.columns
const { scroller, size, seen, page, scrolled, reveal } = useLongList(() => list.value.length, {
  high,
  head: 32,
  more: 6
})

const sheet = useSheet(
  computed(() => list.value.length),
  computed(() => columns.value.length),
  {
    text: (at) => {
      const p = list.value[at.row]
      return p ? range.text(p, columns.value[at.column].id) : ''
    },
    write: (cells) =>
      range.set(
        cells.map(({ at, text }) => ({ product: list.value[at.row], column: columns.value[at.column].id, text }))
      ),
    open: (at) => (columns.value[at.column].id === 'prop' ? (emit('open', at), true) : false),
    fixed: (column) => !!columns.value[column]?.read || columns.value[column]?.id === 'prop',
    more: async () => {
      if (range.finding.value || !(await range.add())) return
      await nextTick()
      sheet.to({ row: list.value.length - 1, column: columns.value.findIndex((c) => c.id === 'name') })
    }
  }
)

const width = computed(() => number + columns.value.reduce((sum, c) => sum + c.width, 0))
// The picture and the name stay in sight.
const sticky = computed(() => {
  const out: number[] = []
  let at = number
  for (const c of columns.value) {
    if (c.id !== 'prop' && c.id !== 'name') break
    out.push(at)
    at += c.width
  }
  return out
})
const pictures = computed(() => new Map(range.props.value.map((p) => [p.id, p])))
const wrong = computed(() => new Map(range.mistaken.value.map((q) => [q.id, q.mistakes])))

// What is made of them is asked a screen at a time.
const screen = computed(() => Math.floor((seen.value[0] ?? 0) / 24))
watch(
  [screen, list, () => size.height.value],
  () =>
    (range.asked.value = list.value
      .slice(screen.value * 24, screen.value * 24 + 24 + seen.value.length + 24)
      .map((p) => p.id)),
  { immediate: true }
)

// The cell in which one is comes into sight, and its pen is at hand.
watch(
  [sheet.cursor, sheet.typed],
  async () => {
    const [el, at] = [scroller.value, sheet.cursor.value]
    if (!el) return
    emit('at', at)
    reveal(at.row)
    const c = columns.value[at.column]
    const stays = number + sticky.value.reduce((sum, _, i) => sum + columns.value[i].width, 0)
    const x = number + columns.value.slice(0, at.column).reduce((sum, c) => sum + c.width, 0)
    if (c && at.column >= sticky.value.length) {
      if (x - stays < el.scrollLeft) el.scrollLeft = x - stays
      else if (x + c.width > el.scrollLeft + el.clientWidth) el.scrollLeft = x + c.width - el.clientWidth
    }
    await nextTick()
    const active = document.activeElement
    if (!active || active === document.body || el.contains(active)) focus()
  },
  { flush: 'post' }
)

function focus() {
  scroller.value?.querySelector<HTMLInputElement>('.pen')?.focus({ preventScroll: true })
}

async function down(row: number, column: number, e: PointerEvent) {
  if (e.button || ((e.target as HTMLElement).tagName === 'INPUT' && sheet.typed.value !== null)) return
  e.preventDefault()
  sheet.dragging.value = true // until the button is let go, which may be soon
  if (!(await sheet.take())) return
  sheet.to({ row, column }, e.shiftKey)
  await nextTick()
  focus()
}

function whole(row: number, e: PointerEvent) {
  e.preventDefault()
  if (e.shiftKey) sheet.cursor.value = { row, column: columns.value.length - 1 }
  else {
    sheet.cursor.value = { row, column: columns.value.length - 1 }
    sheet.anchor.value = { row, column: 0 }
  }
  nextTick(focus)
}

const over = (row: number, column: number) => sheet.dragging.value && sheet.to({ row, column }, true)
useEventListener(window, 'pointerup', () => (sheet.dragging.value = false))

function typed(text: string) {
  if (sheet.typed.value === null) {
    if (columns.value[sheet.cursor.value.column]?.read) return
    sheet.begin(text)
  } else sheet.typed.value = text
}

function copy(e: ClipboardEvent, cut = false) {
  if (sheet.typed.value !== null) return
  e.preventDefault()
  e.clipboardData?.setData('text/plain', sheet.copied())
  if (cut) sheet.clear()
}

function paste(e: ClipboardEvent) {
  if (sheet.typed.value !== null) return
  e.preventDefault()
  const text = e.clipboardData?.getData('text/plain') ?? ''
  const one = text.replace(/\r?\n$/, '')
  if (sheet.many.value && one && !/[\t\n"]/.test(one)) sheet.spread(one)
  else if (text) emit('paste', text, { row: sheet.chosen.value.top, column: sheet.chosen.value.left })
}

// Only the rows that are chosen are told so.
function band(row: number) {
  const { top, bottom, left, right } = sheet.chosen.value
  return row >= top && row <= bottom ? [left, right] : [-1, -1]
}

defineExpose({
  sheet,
  focus,
  products: () => {
    const { top, bottom } = sheet.chosen.value
    return list.value.slice(top, bottom + 1)
  }
})
</script>

<template>
  <div
    ref="scroller"
    class="scroller"
    role="grid"
    aria-label="Products"
    :aria-rowcount="list.length + 1"
    :aria-colcount="columns.length + 1"
    aria-multiselectable="true"
    @scroll.passive="scrolled"
  >
    <div class="head" role="row" aria-rowindex="1" :style="{ width: width + 'px' }">
      <div class="corner" role="columnheader"><span class="visually-hidden">Number</span></div>
      <div
        v-for="(c, i) in columns"
        :key="c.id"
        role="columnheader"
        :class="{ right: c.right, stays: i < sticky.length }"
        :style="{ width: c.width + 'px', left: i < sticky.length ? sticky[i] + 'px' : undefined }"
        :title="c.hint"
      >
        {{ c.name }}
      </div>
    </div>
    <div class="body" :style="{ height: list.length * high + 'px', width: width + 'px' }">
      <SheetRow
        v-for="row in seen"
        :key="list[row].id"
        :index="row"
        :product="list[row]"
        :picture="pictures.get(list[row].prop ?? '')"
        :columns="columns"
        :reads="range.text(list[row], '@reads')"
        :mistakes="wrong.get(list[row].id)"
        :cursor="row === sheet.cursor.value.row ? sheet.cursor.value.column : -1"
        :typed="row === sheet.cursor.value.row ? sheet.typed.value : null"
        :from="band(row)[0]"
        :to="band(row)[1]"
        :sticky="sticky"
        :style="{ transform: `translateY(${row * high}px)` }"
        @down="(column, e) => down(row, column, e)"
        @over="(column) => over(row, column)"
        @open="
          (column) =>
            sheet.typed.value === null &&
            (columns[column].id === 'prop' ? emit('open', { row, column }) : sheet.begin())
        "
        @whole="(e) => whole(row, e)"
        @input="typed"
        @key="(e) => sheet.key(e, page)"
        @copy="(e) => copy(e)"
        @cut="(e) => copy(e, true)"
        @paste="paste"
        @leave="sheet.take()"
      />
    </div>
  </div>
</template>

<style scoped>
.scroller {
  position: relative;
  overflow: auto;
  border: 1px solid var(--line);
  background: var(--chalk);
  border-radius: 6px;
  user-select: none;
}

.head {
  position: sticky;
  top: 0;
  z-index: 5;
  display: flex;
  height: 32px;
}

.head > div {
  flex: none;
  padding: 0 0.45rem;
  line-height: 31px;
  font-weight: 700;
  font-size: 0.78rem;
  background: var(--sailcloth);
  border-right: 1px solid var(--line);
  border-bottom: 1px solid rgba(23, 63, 71, 0.3);
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}

.head > .corner {
  position: sticky;
  left: 0;
  z-index: 2;
  width: 40px;
}

.head > .stays {
  position: sticky;
  z-index: 1;
}

.right {
  text-align: right;
}

.body {
  position: relative;
}
</style>
