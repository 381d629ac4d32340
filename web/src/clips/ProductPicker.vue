<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Offered } from '../api'
import type { Product, Prop } from '../types'

// Which product is shown, and what it costs there: one that is offered, but for the
// one whose place it takes.
const props = defineProps<{
  title: string
  place?: { product: Product; prop?: Prop }
  currency: string
  offered: Offered[]
  taken?: Offered
  row?: boolean // in one row, which can be moved along
}>()
const emit = defineEmits<{ take: [o: Offered]; leave: [] }>()
const search = ref('')

const others = computed(() =>
  props.offered.filter(
    (o) =>
      (o.prop ? o.prop.hash !== props.place?.prop?.hash : o.product.name !== props.place?.product.name) &&
      o.product.name.toLowerCase().includes(search.value.trim().toLowerCase())
  )
)
const same = (o: Offered) => !!props.taken && o.prop?.hash === props.taken.prop?.hash

function pick(o: Offered) {
  if (same(o)) emit('leave')
  else emit('take', { product: { ...o.product, currency: o.product.currency || props.currency }, prop: o.prop })
}

const fields = [
  { id: 'name', name: 'Name' },
  { id: 'price', name: 'Price' },
  { id: 'oldPrice', name: 'Price before' }
] as const

function write(field: (typeof fields)[number]['id'], text: string) {
  if (props.taken) emit('take', { ...props.taken, product: { ...props.taken.product, [field]: text } })
}
</script>

<template>
  <section class="picker" role="group" :aria-label="title">
    <h3>
      <img v-if="place?.prop" :src="`/api/files/${place.prop.hash}/small`" alt="" />
      {{ title }}
      <input
        v-if="offered.length > 8"
        v-model="search"
        type="search"
        placeholder="Find a product"
        :aria-label="`Find a product: ${title}`"
      />
    </h3>
    <ul class="list-unstyled" :class="{ row }">
      <li v-for="o in others" :key="o.prop?.hash ?? o.product.name">
        <button type="button" class="plain" :class="{ chosen: same(o) }" :aria-pressed="same(o)" @click="pick(o)">
          <img v-if="o.prop" :src="`/api/files/${o.prop.hash}/small`" alt="" loading="lazy" />
          <i v-else class="bi bi-tag" aria-hidden="true" />
          <span>{{ o.product.name }}</span>
          <small>{{ o.product.price ? `${o.product.price} ${o.product.currency}` : 'no price yet' }}</small>
        </button>
      </li>
    </ul>
    <p v-if="!others.length" class="none">
      {{ search ? 'None is called that.' : 'Bring the cut-out of a product to the shelf of any clip first.' }}
    </p>
    <div v-if="taken" class="fields">
      <label v-for="f in fields" :key="f.id">
        {{ f.name }}
        <input
          :value="taken.product[f.id]"
          :inputmode="f.id === 'name' ? 'text' : 'decimal'"
          @input="write(f.id, ($event.target as HTMLInputElement).value)"
        />
      </label>
      <span>{{ taken.product.currency }}</span>
    </div>
  </section>
</template>

<style scoped>
.picker + .picker {
  border-top: 1px solid var(--line);
  padding-top: 0.8rem;
}

h3 {
  display: flex;
  align-items: center;
  gap: 0.5rem;
  font-size: 1rem;
}

h3 img {
  height: 34px;
}

h3 input {
  margin-left: auto;
  border: 1px solid var(--line);
  border-radius: 6px;
  padding: 0.15rem 0.5rem;
  font:
    400 0.82rem 'Hanken Grotesk',
    sans-serif;
}

ul {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(118px, 1fr));
  gap: 0.4rem;
  max-height: 264px;
  overflow: auto;
  padding: 2px;
}

ul.row {
  display: flex;
  flex-wrap: nowrap;
  margin: 0 0 0.4rem;
  overflow-x: auto;
}

ul.row li {
  flex: 0 0 96px;
  padding: 0;
  max-width: none;
}

ul.row button {
  height: 100px;
}

ul.row img {
  height: 46px;
}

li button {
  display: grid;
  justify-items: center;
  align-content: end;
  width: 100%;
  height: 124px;
  padding: 0.4rem 0.2rem;
  border: 1px solid var(--line);
  font-size: 0.78rem;
  line-height: 1.2;
}

li button.chosen {
  border-color: var(--harbour);
  box-shadow: inset 0 0 0 1px var(--harbour);
  background: rgba(200, 146, 46, 0.16);
}

li img {
  height: 68px;
  max-width: 100%;
  object-fit: contain;
  margin-bottom: 0.25rem;
}

li small {
  color: var(--harbour-soft);
}

.none {
  color: var(--harbour-soft);
}

.fields {
  display: grid;
  grid-template-columns: 2fr 1fr 1fr auto;
  gap: 0.6rem;
  align-items: end;
  margin-bottom: 0.9rem;
}

.fields label {
  font-size: 0.78rem;
  color: var(--harbour-soft);
}

.fields input {
  width: 100%;
  border: 1px solid var(--line);
  border-radius: 6px;
  padding: 0.2rem 0.5rem;
  color: var(--harbour);
}
</style>
