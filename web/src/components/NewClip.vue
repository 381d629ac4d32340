<script setup lang="ts">
import { reactive, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api } from '../api'
import { Problem } from '../types'
import { shapeName, shapeRatio, standardShapes } from '../words'

const open = defineModel<boolean>({ required: true })
const router = useRouter()
const form = reactive({
  name: 'Untitled clip',
  shape: 'tall',
  w: 1080,
  h: 1920,
  rate: 30,
  length: '12s00f',
  tempo: 120
})
const problem = ref<Problem | null>(null)

function choose(id: string) {
  form.shape = id
  const s = standardShapes.find((x) => x.id === id)
  if (s) Object.assign(form, { w: s.w, h: s.h })
}

async function create(event: { preventDefault(): void }) {
  event.preventDefault()
  problem.value = null
  try {
    const shape = { id: form.shape, w: Number(form.w), h: Number(form.h) }
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
    v-model="open"
    title="New clip"
    ok-title="Create the clip"
    ok-class="btn-act"
    :ok-variant="null"
    cancel-title="Cancel"
    cancel-variant="outline-primary"
    @ok="create"
  >
    <form class="grid" @submit="create">
      <label>
        Name
        <BFormInput v-model="form.name" autofocus />
      </label>
      <fieldset>
        <legend>Shape</legend>
        <div class="shapes">
          <button
            v-for="s in [...standardShapes.map((x) => x.id), 'custom']"
            :key="s"
            type="button"
            class="plain shape"
            :class="{ on: form.shape === s }"
            :aria-pressed="form.shape === s"
            @click="choose(s)"
          >
            <span
              class="outline"
              :style="{
                aspectRatio: s === 'custom' ? 1.2 : shapeRatio(s).replace(':', '/'),
                borderStyle: s === 'custom' ? 'dashed' : 'solid'
              }"
            />
            <span>{{ s === 'custom' ? 'Custom' : shapeName(s) }}</span>
            <small>{{ shapeRatio(s) || 'pixels' }}</small>
          </button>
        </div>
      </fieldset>
      <div class="row3">
        <label>
          Width, pixels
          <BFormInput v-model="form.w" type="number" step="2" />
        </label>
        <label>
          Height, pixels
          <BFormInput v-model="form.h" type="number" step="2" />
        </label>
        <label>
          Frames a second
          <BFormSelect v-model="form.rate" :options="[24, 25, 30, 50, 60]" />
        </label>
      </div>
      <div class="row3">
        <label class="two">
          Length
          <BFormInput v-model="form.length" aria-describedby="length-help" />
          <small id="length-help">Seconds and frames (12s00f), or bars (5 bars)</small>
        </label>
        <label>
          Tempo, BPM
          <BFormInput v-model="form.tempo" type="number" />
          <small>A tune brings its own</small>
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

.wrong {
  color: #9c2f10;
  font-weight: 500;
  margin: 0;
}
</style>
