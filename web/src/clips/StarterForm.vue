<script setup lang="ts">
import { watchDebounced } from '@vueuse/core'
import { computed, reactive, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, type Choice, type Offered, type Starter } from '../api'
import type { Palette } from '../types'
import { Problem, type Prop } from '../types'
import { shapeName, shapeRatio } from '../words'
import { allOffered } from './offered'
import ProductPicker from './ProductPicker.vue'
import { pictureOf } from './starters'

// Products, words and colours for a starter, with a picture of what comes of them.
const props = defineProps<{ starter: Starter | null; palettes: Palette[]; shapes: string[] }>()
const emit = defineEmits<{ done: [] }>()
const router = useRouter()
const offered = ref<Offered[]>([])
const tunes = ref<Prop[]>([])
const form = reactive({ name: '', shape: 'tall', palette: 'dusk', tune: '' })
const words = reactive<Record<string, string>>({})
const taken = reactive<(Offered | undefined)[]>([])
const problem = ref('')
const picture = ref('')

watch(
  () => props.starter,
  async (s) => {
    if (!s) return
    Object.assign(form, { name: s.name, shape: 'tall', palette: props.palettes[0]?.id ?? '', tune: '' })
    for (const id of Object.keys(words)) delete words[id]
    for (const w of s.words) words[w.id] = w.text
    taken.splice(0, taken.length, ...s.products.map(() => undefined))
    picture.value = problem.value = ''
    try {
      const [list, shelf] = await Promise.all([allOffered(), api.props()])
      offered.value = list.filter((o) => o.prop)
      tunes.value = shelf.map((x) => x.prop).filter((p) => p.kind === 'tune')
      // What was sold last is probably what is sold next.
      s.products.forEach((_, i) => (taken[i] = offered.value.filter((o) => o.product.price)[i]))
    } catch (e) {
      problem.value = e instanceof Error ? e.message : String(e)
    }
  }
)

const currency = computed(() => offered.value.find((o) => o.product.currency)?.product.currency ?? 'EUR')
const missing = computed(() => taken.filter((o) => !o).length)

const choice = computed((): Choice | null => {
  if (!props.starter || missing.value) return null
  const products = taken.map((o) => {
    const { product, prop } = o as Offered
    return { product: { ...product, prop: undefined }, prop: prop as Prop }
  })
  const tune = tunes.value.find((t) => t.hash === form.tune)
  const { name, shape, palette } = form
  return { starter: props.starter.id, name, shape, palette, products, words: { ...words }, tune }
})

let asked = 0
watchDebounced(
  choice,
  async (c) => {
    const mine = ++asked
    if (!c) return
    try {
      const blob = await api.starterPicture(c)
      if (mine !== asked) return
      URL.revokeObjectURL(picture.value)
      picture.value = URL.createObjectURL(blob)
      problem.value = ''
    } catch (e) {
      if (mine === asked) problem.value = e instanceof Problem ? e.message : String(e)
    }
  },
  { debounce: 350, deep: true }
)

async function make(event: { preventDefault(): void }) {
  event.preventDefault()
  if (!choice.value) return
  try {
    const { id } = await api.fromStarter(choice.value)
    emit('done')
    router.push(`/clips/${id}`)
  } catch (e) {
    problem.value = e instanceof Problem ? e.message : String(e)
  }
}
</script>

<template>
  <BModal
    title-tag="h2"
    title-class="h5"
    :model-value="starter !== null"
    size="xl"
    scrollable
    no-animation
    :title="starter?.name"
    ok-title="Make the clip"
    ok-class="btn-act"
    :ok-variant="null"
    :ok-disabled="!choice || !form.name.trim()"
    cancel-title="Cancel"
    cancel-variant="outline-primary"
    @ok="make"
    @hidden="emit('done')"
  >
    <div v-if="starter" class="split">
      <div class="look">
        <img :src="picture || pictureOf(starter.id)" :alt="picture ? 'What is made of your choice' : ''" />
        <div class="shapes" role="group" aria-label="Made for">
          <button
            v-for="s in shapes"
            :key="s"
            type="button"
            class="plain"
            :class="{ on: form.shape === s }"
            :aria-pressed="form.shape === s"
            @click="form.shape = s"
          >
            {{ shapeName(s) }} <small>{{ shapeRatio(s) }}</small>
          </button>
        </div>
      </div>
      <form @submit="make">
        <p v-if="problem" class="text-danger" role="alert">{{ problem }}</p>
        <ProductPicker
          v-for="(role, i) in starter.products"
          :key="`${starter.id} ${i}`"
          row
          :title="role"
          :currency="currency"
          :offered="offered"
          :taken="taken[i]"
          @take="taken[i] = $event"
          @leave="taken[i] = undefined"
        />
        <h3>Words</h3>
        <div class="words">
          <label v-for="w in starter.words" :key="w.id">
            {{ w.label }}
            <textarea v-if="w.text.includes('\n')" v-model="words[w.id]" rows="2" maxlength="200" />
            <input v-else v-model="words[w.id]" maxlength="200" />
          </label>
        </div>
        <p class="hint">What stands between *asterisks* has the second colour.</p>
        <h3>Colours</h3>
        <div class="palettes" role="group" aria-label="Colours">
          <button
            v-for="p in palettes"
            :key="p.id"
            type="button"
            class="plain"
            :class="{ chosen: form.palette === p.id }"
            :aria-pressed="form.palette === p.id"
            @click="form.palette = p.id"
          >
            <span class="swatch" :style="{ background: p.top }">
              <i :style="{ background: p.ink }" /><i :style="{ background: p.accent }" /><i
                :style="{ background: p.plate }"
              />
            </span>
            {{ p.name }}
          </button>
        </div>
        <div class="last">
          <label>Name of the clip <input v-model="form.name" maxlength="120" /></label>
          <label>
            Tune
            <select v-model="form.tune">
              <option value="">None yet: 120 beats a minute</option>
              <option v-for="t in tunes" :key="t.hash" :value="t.hash">{{ t.name }}</option>
            </select>
          </label>
        </div>
        <button type="submit" hidden>Make the clip</button>
      </form>
    </div>
  </BModal>
</template>

<style scoped>
.split {
  display: grid;
  grid-template-columns: 330px minmax(0, 1fr);
  gap: 1.6rem;
}

.look {
  position: sticky;
  top: 0;
  align-self: start;
  display: grid;
  gap: 0.7rem;
  justify-items: center;
}

.look > img {
  max-width: 100%;
  max-height: min(56vh, 520px);
  box-shadow: 0 2px 10px rgba(0, 0, 0, 0.3);
}

.shapes {
  display: flex;
  justify-content: center;
}

.shapes button {
  display: grid;
  justify-items: center;
  line-height: 1.2;
}

.shapes small {
  opacity: 0.8;
}

h3 {
  font-size: 1rem;
  margin: 0.8rem 0 0.4rem;
}

.words,
.last {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.5rem 0.8rem;
}

label {
  font-size: 0.78rem;
  color: var(--harbour-soft);
}

input,
textarea,
select {
  display: block;
  width: 100%;
  border: 1px solid var(--line);
  border-radius: 6px;
  background: #fff;
  padding: 0.25rem 0.5rem;
  color: var(--harbour);
  font-size: 0.875rem;
}

.hint {
  color: var(--harbour-soft);
  font-size: 0.78rem;
  margin: 0.3rem 0 0;
}

.palettes {
  display: flex;
  gap: 0.4rem;
  margin-bottom: 0.9rem;
}

.palettes button {
  display: grid;
  justify-items: center;
  gap: 0.2rem;
  font-size: 0.78rem;
  border: 1px solid transparent;
}

.palettes .chosen {
  border-color: var(--harbour);
}

.swatch {
  display: flex;
  align-items: center;
  justify-content: center;
  gap: 4px;
  width: 72px;
  height: 38px;
  border-radius: 5px;
  box-shadow: inset 0 0 0 1px var(--line);
}

.swatch i {
  width: 14px;
  height: 14px;
  border-radius: 50%;
}
</style>
