<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import { home } from '../editor/useHome'
import { drag } from '../parts/useDrag'
import { useWriting } from '../stores/writing'
import type { Caret, Edge } from '../types'
import { useTabletop } from './useTabletop'

// Writing in the picture: a field without a look of its own takes what is typed,
// as any field does; the caret and the selection lie over the true letters.
const props = defineProps<{ w: number; h: number }>()
const writing = useWriting()
const svg = ref<SVGSVGElement | null>(null)
const field = ref<HTMLTextAreaElement | null>(null)
const composing = ref(false)
const top = useTabletop(
  svg,
  () => props.w,
  () => props.h
)

const points = (a: Edge, b: Edge) => [a.head, b.head, b.foot, a.foot].map((p) => top.px(p).join(',')).join(' ')
const whole = computed(() => {
  const lines = new Map<number, { a: Caret; b: Caret }>()
  for (const c of writing.carets) {
    const l = lines.get(c.line)
    if (l) l.b = c
    else lines.set(c.line, { a: c, b: c })
  }
  return [...lines.values()].map(({ a, b }) => points(a, b.to))
})
const selected = computed(() =>
  writing.carets.slice(writing.from, writing.to).map((c, i) => ({ key: i, points: points(c, c.to) }))
)
const caret = computed(() => {
  const c = writing.from === writing.to ? writing.carets[writing.to] : undefined
  return c && { from: top.px(c.head), to: top.px(c.foot) }
})
// The field stands where the caret is, so that what helps to write (input methods,
// screen magnifiers) is there too.
const place = computed(() => {
  const c = writing.carets[writing.to]
  if (!c) return {}
  const [x, y] = top.px(c.head)
  const [, foot] = top.px(c.foot)
  return { left: `${x}px`, top: `${y}px`, height: `${Math.max(8, foot - y)}px` }
})

watch(
  () => writing.layer,
  async (now) => {
    await nextTick()
    if (now) show()
    else if (document.activeElement === document.body) home()
  }
)
// The field follows what the words have become, once all is taken that it holds.
watch(
  () => [writing.plain, writing.from, writing.to, writing.taking],
  () => nextTick(show)
)

function show() {
  const f = field.value
  if (!f || composing.value || writing.taking) return
  if (f.value !== writing.plain) f.value = writing.plain
  if (document.activeElement !== f) {
    if (inBar()) return
    f.focus({ preventScroll: true })
  }
  const [a, b] = [writing.offsets[writing.from], writing.offsets[writing.to]]
  if (f.selectionStart !== a || f.selectionEnd !== b) f.setSelectionRange(a, b)
}

// What is about the words has the keyboard for a moment.
const inBar = () => document.activeElement?.closest('[data-offer]') !== null && document.activeElement !== field.value

function input() {
  const f = field.value as HTMLTextAreaElement
  writing.type(f.value, f.selectionEnd)
}

// The browser moves caret and selection; they stay between letters.
function selection() {
  const f = field.value
  if (!f || composing.value || writing.taking || f.value !== writing.plain) return
  const a = writing.letterAt(f.selectionStart)
  let b = writing.letterAt(f.selectionEnd)
  if (f.selectionEnd > f.selectionStart && writing.offsets[b] < f.selectionEnd) b++
  if (a !== writing.from || b !== writing.to) writing.select(a, b)
}

// A letter of several characters goes as one.
function eat(e: KeyboardEvent, way: number) {
  const f = field.value as HTMLTextAreaElement
  if (f.selectionStart !== f.selectionEnd || e.ctrlKey || e.metaKey || e.altKey) return
  const at = writing.letterAt(f.selectionStart)
  const [a, b] = [writing.offsets[way < 0 ? at - 1 : at], writing.offsets[way < 0 ? at : at + 1]]
  if (b - a > 1) f.setSelectionRange(a, b)
}

// step goes to the next letter over one of several characters.
function step(e: KeyboardEvent, way: number) {
  const f = field.value as HTMLTextAreaElement
  if (e.ctrlKey || e.metaKey || e.altKey || e.shiftKey || f.selectionStart !== f.selectionEnd) return
  const at = writing.letterAt(f.selectionStart) + way
  if (at < 0 || at >= writing.offsets.length) return
  if (Math.abs(writing.offsets[at] - f.selectionStart) < 2) return
  e.preventDefault()
  writing.select(at, at)
}

// line goes to the line above or below, or to an end of this one.
let anchor = 0
function line(e: KeyboardEvent, to: 'up' | 'down' | 'start' | 'end') {
  const f = field.value as HTMLTextAreaElement
  const backward = f.selectionDirection === 'backward'
  const at = backward ? writing.from : writing.to
  const here = writing.carets[at]
  if (!here || e.ctrlKey || e.metaKey) return
  e.preventDefault()
  const wanted = here.line + (to === 'up' ? -1 : to === 'down' ? 1 : 0)
  const there = writing.carets.map((c, i) => ({ c, i })).filter((x) => x.c.line === wanted)
  let goes = at
  if (to === 'start') goes = there[0].i
  else if (to === 'end') goes = there[there.length - 1].i
  else if (!there.length) goes = to === 'up' ? 0 : writing.letters.length
  else goes = there.reduce((a, b) => (away(b.c, here.head) < away(a.c, here.head) ? b : a)).i
  if (!e.shiftKey) return writing.select(goes, goes)
  anchor = backward ? writing.to : writing.from
  writing.select(Math.min(anchor, goes), Math.max(anchor, goes))
  const [a, b] = [writing.offsets[Math.min(anchor, goes)], writing.offsets[Math.max(anchor, goes)]]
  f.setSelectionRange(a, b, goes < anchor ? 'backward' : 'forward')
}

const away = (c: Caret, p: [number, number] | number[]) => Math.hypot(c.head[0] - p[0], c.head[1] - p[1])

function keys(e: KeyboardEvent) {
  e.stopPropagation()
  if (composing.value) return
  const control = e.ctrlKey || e.metaKey
  if (e.key === 'Escape') writing.takeBack()
  else if (e.key === 'Enter' && control) writing.end()
  else if (e.key === 'Tab') writing.end()
  else if (control && e.key.toLowerCase() === 'b') writing.style({ bold: !writing.look?.bold })
  else if (control && e.key.toLowerCase() === 'e') writing.style({ emphasis: !writing.look?.emphasis })
  else {
    if (e.key === 'Backspace') eat(e, -1)
    if (e.key === 'Delete') eat(e, 1)
    if (e.key === 'ArrowLeft') step(e, -1)
    if (e.key === 'ArrowRight') step(e, 1)
    if (e.key === 'ArrowUp') line(e, 'up')
    if (e.key === 'ArrowDown') line(e, 'down')
    if (e.key === 'Home') line(e, 'start')
    if (e.key === 'End') line(e, 'end')
    return
  }
  e.preventDefault()
}

function leave() {
  // Only another window, or what is about these words, may have it meanwhile.
  setTimeout(() => {
    const to = document.activeElement
    if (!writing.layer || to === field.value || inBar() || !document.hasFocus()) return
    writing.end()
  })
}

// A press puts the caret, a drag selects; with Shift the selection reaches there.
function press(e: PointerEvent) {
  if (e.button !== 0) return
  e.stopPropagation()
  const at = writing.nearest(top.units(e))
  const from = e.shiftKey ? (at < writing.to ? writing.to : writing.from) : at
  writing.select(from, at)
  drag(
    e,
    (m) => writing.select(from, writing.nearest(top.units(m))),
    () => field.value?.focus({ preventScroll: true })
  )
}

function double() {
  if (writing.word[0] < writing.word[1]) writing.select(writing.word[0], writing.word[1])
}
</script>

<template>
  <template v-if="writing.layer">
    <svg ref="svg" class="writing" data-offer :width="w" :height="h" aria-hidden="true">
      <polygon
        v-for="(p, i) in whole"
        :key="`l${i}`"
        :points="p"
        class="line"
        @pointerdown="press"
        @dblclick.stop="double"
      />
      <polygon v-for="s in selected" :key="`s${s.key}`" :points="s.points" class="chosen" data-chosen />
      <line
        v-if="caret"
        :x1="caret.from[0]"
        :y1="caret.from[1]"
        :x2="caret.to[0]"
        :y2="caret.to[1]"
        class="caret"
        data-caret
      />
    </svg>
    <textarea
      ref="field"
      class="typed"
      data-writing
      dir="auto"
      wrap="off"
      spellcheck="false"
      :style="place"
      aria-label="Words in the picture"
      aria-description="Ctrl Enter ends it, Escape takes back what was written. Ctrl B makes letters bold, Ctrl E emphasises them."
      @input="input"
      @select="selection"
      @keyup="selection"
      @keydown="keys"
      @blur="leave"
      @compositionstart="composing = true"
      @compositionend="((composing = false), input())"
    />
  </template>
</template>

<style scoped>
.writing {
  position: absolute;
  inset: 0;
  overflow: visible;
  touch-action: none;
  pointer-events: none;
}

.line {
  fill: transparent;
  pointer-events: all;
  cursor: text;
}

.chosen {
  fill: rgba(44, 122, 104, 0.34);
  pointer-events: none;
}

.caret {
  stroke: #dd4f28;
  stroke-width: 2;
  pointer-events: none;
  animation: beat 1.1s steps(1) infinite;
}

@keyframes beat {
  55% {
    opacity: 0;
  }
}

.typed {
  position: absolute;
  width: 1px;
  padding: 0;
  border: 0;
  opacity: 0;
  resize: none;
  overflow: hidden;
  pointer-events: none;
  white-space: pre;
}
</style>
