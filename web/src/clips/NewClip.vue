<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, reactive, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, type FormRead } from '../api'
import { useHints } from '../parts/useHints'
import { Problem } from '../types'
import { shapeName, shapeRatio, standardShapes } from '../words'

const open = defineModel<boolean>({ required: true })
const router = useRouter()
const form = reactive({
  name: 'Untitled clip',
  shape: 'tall',
  ratio: '',
  w: '1080',
  h: '1920',
  rate: 30,
  length: '12s00f',
  tempo: '120'
})
const problem = ref<Problem | null>(null)
const { hint, look, clear } = useHints<FormRead>((text) => api.form(new URLSearchParams(JSON.parse(text))))

function choose(id: string) {
  form.shape = id
  const s = standardShapes.find((x) => x.id === id)
  if (s) Object.assign(form, { ratio: '', w: String(s.w), h: String(s.h) })
  read()
}

// read asks what is written means. Of a ratio and both sides, the side that was
// written last counts; the other one follows.
function read(from?: 'w' | 'h') {
  const pixels = (text: string) => String(Math.round(Number(text)) || 0)
  const sides = { w: pixels(form.w), h: pixels(form.h) }
  if (form.ratio.trim() && from) sides[from === 'w' ? 'h' : 'w'] = '0'
  const { ratio, rate, length, tempo } = form
  look(JSON.stringify({ ratio, ...sides, rate: String(rate), length, tempo: String(Number(tempo) || 120) }))
}

watch(hint, (h) => {
  if (!h || h.shape.problem || !form.ratio.trim()) return
  const typed = document.activeElement?.id
  if (typed !== 'new-clip-w') form.w = String(h.shape.w)
  if (typed !== 'new-clip-h') form.h = String(h.shape.h)
})

const offer = computed(() => hint.value?.length.offer)
const lengthSays = computed(() => {
  const l = hint.value?.length
  if (!l) return 'Seconds and frames (12s00f), or bars (5 bars)'
  return l.problem ? l.problem : `Taken as ${l.says}`
})
const shapeSays = computed(() => {
  const s = hint.value?.shape
  if (!s) return ''
  return s.problem ? s.problem : `${s.w} by ${s.h} pixels, ${s.ratio}`
})

function takeOffer() {
  form.length = offer.value ?? form.length
  read()
}

// Letters that are typed as soon as the dialog is asked for are the name, also
// before the field has the focus.
const name = ref<HTMLInputElement | null>(null)
let early = ''
watch(open, () => (early = ''))
useEventListener(window, 'keydown', (e) => {
  if (!open.value || e.key.length > 1 || e.ctrlKey || e.metaKey || document.activeElement?.closest('.modal input'))
    return
  if (document.activeElement?.closest('.modal button') && e.key === ' ') return
  e.preventDefault()
  early += e.key
  form.name = early
  name.value?.focus()
})

function shown() {
  clear()
  name.value?.focus()
  if (!early) name.value?.select()
}

// Enter in the name goes on to the shape.
const shapes = ref<HTMLElement | null>(null)
const onward = () => shapes.value?.querySelector<HTMLElement>('[aria-pressed=true]')?.focus()

async function create(event: { preventDefault(): void }) {
  event.preventDefault()
  problem.value = null
  try {
    let shape = { id: form.shape, w: Number(form.w), h: Number(form.h) }
    if (form.shape === 'custom') {
      const { ratio, w, h, rate, length, tempo } = form
      const sides = new URLSearchParams({ ratio, w, h, rate: String(rate), length, tempo })
      const read = (await api.form(sides)).shape
      if (read.problem) throw new Problem(read.problem, 'shape')
      shape = { id: form.shape, w: read.w, h: read.h }
    }
    const made = await api.create({
      name: form.name,
      shape,
      rate: form.rate,
      length: form.length,
      tempo: Number(form.tempo)
    })
    open.value = false
    router.push(`/clips/${made.id}`)
  } catch (e) {
    problem.value = e instanceof Problem ? e : new Problem(String(e))
  }
}
</script>

<template>
  <BModal
    title-tag="h2"
    title-class="h5"
    v-model="open"
    no-animation
    title="New clip"
    ok-title="Create the clip"
    ok-class="btn-act"
    :ok-variant="null"
    cancel-title="Cancel"
    cancel-variant="outline-primary"
    @ok="create"
    @shown="shown"
  >
    <form class="grid" @submit="create">
      <label>
        Name
        <input ref="name" v-model="form.name" class="form-control" @keydown.enter.prevent="onward" />
      </label>
      <fieldset>
        <legend>Shape</legend>
        <div ref="shapes" class="shapes">
          <button
            v-for="s in [...standardShapes.map((x) => x.id), 'custom']"
            :key="s"
            type="button"
            class="plain shape"
            :class="{ on: form.shape === s }"
            :aria-pressed="form.shape === s"
            @click="choose(s)"
            @keydown.enter="form.shape === s && create($event)"
          >
            <span
              class="outline"
              :style="{
                aspectRatio: s === 'custom' ? 1.2 : shapeRatio(s).replace(':', '/'),
                borderStyle: s === 'custom' ? 'dashed' : 'solid'
              }"
            />
            <span>{{ s === 'custom' ? 'Custom' : shapeName(s) }}</span>
            <small>{{ shapeRatio(s) || 'yours' }}</small>
          </button>
        </div>
      </fieldset>
      <div class="row3">
        <label v-if="form.shape === 'custom'">
          Ratio
          <input v-model="form.ratio" class="form-control" placeholder="4:5" @input="read(form.w ? 'w' : 'h')" />
        </label>
        <label>
          Width, pixels
          <input
            id="new-clip-w"
            v-model="form.w"
            class="form-control"
            type="number"
            step="2"
            @input="form.shape === 'custom' && read('w')"
          />
        </label>
        <label>
          Height, pixels
          <input
            id="new-clip-h"
            v-model="form.h"
            class="form-control"
            type="number"
            step="2"
            @input="form.shape === 'custom' && read('h')"
          />
        </label>
        <label v-if="form.shape !== 'custom'">
          Frames a second
          <BFormSelect v-model="form.rate" :options="[24, 25, 30, 50, 60]" />
        </label>
      </div>
      <p v-if="form.shape === 'custom' && shapeSays" class="says" :class="{ wrong: hint?.shape.problem }" role="status">
        {{ shapeSays }}
      </p>
      <div class="row3">
        <label :class="{ two: form.shape !== 'custom' }">
          Length
          <input v-model="form.length" class="form-control" aria-describedby="length-help" @input="read()" />
          <small id="length-help" aria-live="polite">{{ lengthSays }}</small>
          <button v-if="offer" type="button" class="plain offer" @click="takeOffer">Make it {{ offer }}</button>
        </label>
        <label>
          Tempo, BPM
          <input v-model="form.tempo" class="form-control" type="number" @input="read()" />
          <small>A tune brings its own</small>
        </label>
        <label v-if="form.shape === 'custom'">
          Frames a second
          <BFormSelect v-model="form.rate" :options="[24, 25, 30, 50, 60]" />
        </label>
      </div>
      <p v-if="problem" class="wrong" role="alert">{{ problem.message }}</p>
      <button type="submit" hidden>Create</button>
    </form>
  </BModal>
</template>

<style scoped>
.grid {
  display: grid;
  gap: 0.9rem;
}

label {
  display: block;
  font-weight: 500;
}

legend {
  font-size: inherit;
  font-weight: 500;
  margin-bottom: 0.3rem;
}

.shapes {
  display: grid;
  grid-template-columns: repeat(6, 1fr);
  gap: 0.3rem;
}

.shape {
  display: grid;
  justify-items: center;
  gap: 0.15rem;
  padding: 0.5rem 0.2rem;
  line-height: 1.1;
}

.outline {
  height: 38px;
  max-width: 46px;
  border: 2px solid currentcolor;
  border-radius: 3px;
}

.row3 {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 0.7rem;
}

.two {
  grid-column: span 2;
}

small {
  color: inherit;
  opacity: 0.8;
  font-weight: 400;
}

.says {
  margin: -0.5rem 0 0;
  font-size: 0.85rem;
}

.offer {
  padding: 0 0.2rem;
  font-size: 0.85rem;
  font-weight: 700;
  color: var(--kelp-deep);
}

.wrong {
  color: #9c2f10;
  font-weight: 500;
  margin: 0;
}
</style>
