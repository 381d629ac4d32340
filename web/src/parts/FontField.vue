<script setup lang="ts">
import { computed, nextTick, ref, useId } from 'vue'
import { home } from '../editor/useHome'
import { useFontLooks } from './useFontLooks'

// A choice of fonts, each written in itself.
const props = defineProps<{
  label: string
  value: string
  options: readonly { readonly id: string; readonly name: string; readonly hash?: string }[]
}>()
const emit = defineEmits<{ change: [value: string] }>()

const looks = useFontLooks()
const id = useId()
const open = ref(false)
const wanted = ref('')
const at = ref(0)
const root = ref<HTMLElement | null>(null)
const list = ref<HTMLElement | null>(null)

const current = computed(() => props.options.find((o) => o.id === props.value))
const found = computed(() => {
  const words = wanted.value.toLowerCase().split(/\s+/)
  return props.options.filter((o) => words.every((w) => o.name.toLowerCase().includes(w)))
})

// Only fonts that are seen are fetched.
let seen: IntersectionObserver | null = null
async function begin() {
  open.value = true
  wanted.value = ''
  at.value = Math.max(
    0,
    props.options.findIndex((o) => o.id === props.value)
  )
  await nextTick()
  root.value?.querySelector('input')?.focus()
  list.value?.querySelector('.current')?.scrollIntoView({ block: 'center' })
  seen = new IntersectionObserver(
    (entries) =>
      entries.forEach((e) => {
        const id = (e.target as HTMLElement).dataset.font as string
        if (e.isIntersecting) looks.show(id, props.options.find((o) => o.id === id)?.hash)
      }),
    { root: list.value }
  )
  watchSeen()
}
const watchSeen = () => list.value?.querySelectorAll('[data-font]').forEach((e) => seen?.observe(e))

function end(back = false) {
  open.value = false
  seen?.disconnect()
  if (back) root.value?.querySelector('button')?.focus()
}

// What is chosen with the pointer is done with; the keyboard goes on from where it was.
function take(id: string, pointed = false) {
  end(!pointed)
  if (pointed) home()
  if (id !== props.value) emit('change', id)
}

function find(text: string) {
  wanted.value = text
  at.value = 0
  nextTick(watchSeen)
}

function walk(e: KeyboardEvent) {
  const way = { ArrowDown: 1, ArrowUp: -1 }[e.key]
  e.stopPropagation()
  if (way) {
    e.preventDefault()
    at.value = Math.min(Math.max(at.value + way, 0), found.value.length - 1)
    nextTick(() => list.value?.querySelector('.at')?.scrollIntoView({ block: 'nearest' }))
  } else if (e.key === 'Enter' && found.value[at.value]) {
    e.preventDefault()
    take(found.value[at.value].id)
  } else if (e.key === 'Escape') {
    end(true)
  }
}

// It closes when what has the focus is elsewhere.
function left(e: FocusEvent) {
  if (!root.value?.contains(e.relatedTarget as Node | null)) end()
}
</script>

<template>
  <div ref="root" class="font" @focusout="left">
    <span class="name">{{ label }}</span>
    <button
      class="form-select form-select-sm now"
      aria-haspopup="listbox"
      :aria-expanded="open"
      :aria-label="`${label}: ${current?.name ?? ''}`"
      @click="open ? end() : begin()"
    >
      {{ current?.name ?? value }}
    </button>
    <div v-if="open" class="sheet" data-offer>
      <input
        class="form-control form-control-sm"
        role="combobox"
        aria-expanded="true"
        :aria-controls="`${id}-list`"
        :aria-activedescendant="found[at] ? `${id}-${found[at].id}` : undefined"
        :aria-label="`Find a font for ${label.toLowerCase()}`"
        placeholder="Find a font"
        :value="wanted"
        @input="find(($event.target as HTMLInputElement).value)"
        @keydown="walk"
      />
      <ul :id="`${id}-list`" ref="list" role="listbox" :aria-label="label" tabindex="-1">
        <li
          v-for="(o, i) in found"
          :id="`${id}-${o.id}`"
          :key="o.id"
          role="option"
          :data-font="o.id"
          :aria-selected="o.id === value"
          :class="{ current: o.id === value, at: i === at }"
          :style="looks.look(o.id)"
          @mousedown.prevent
          @click="take(o.id, true)"
        >
          {{ o.name }}
        </li>
        <li v-if="!found.length" class="none">No font is called so</li>
      </ul>
      <slot :close="() => end(true)" />
    </div>
  </div>
</template>

<style scoped>
.font {
  position: relative;
  display: grid;
  gap: 0.05rem;
  font-size: 0.78rem;
  min-width: 0;
}

.now {
  text-align: start;
  font-size: 0.82rem;
  padding-top: 0.12rem;
  padding-bottom: 0.12rem;
  min-height: 0;
  overflow: hidden;
  white-space: nowrap;
  text-overflow: ellipsis;
}

.sheet {
  position: absolute;
  top: 100%;
  left: 0;
  z-index: 30;
  width: 17.5rem;
  max-width: 80vw;
  padding: 0.4rem;
  background: var(--chalk);
  border: 1px solid var(--line);
  border-radius: 0.5rem;
  box-shadow: 0 0.5rem 1.6rem rgb(23 63 71 / 22%);
}

.font:nth-child(even) .sheet {
  left: auto;
  right: 0;
}

ul {
  list-style: none;
  margin: 0.3rem 0 0;
  padding: 0;
  max-height: 17rem;
  overflow-y: auto;
}

li {
  padding: 0.14rem 0.4rem;
  border-radius: 0.3rem;
  font-size: 1.12rem;
  line-height: 1.5;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
  cursor: pointer;
}

li:hover,
li.at {
  background: rgb(44 122 104 / 14%);
}

li.current {
  color: var(--buoy-deep);
}

.none {
  font-size: 0.8rem;
  color: var(--harbour-soft);
}
</style>
