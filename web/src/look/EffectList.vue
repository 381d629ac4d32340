<script setup lang="ts">
import { computed } from 'vue'
import IconButton from '../parts/IconButton.vue'
import PropertyFields from '../settings/PropertyFields.vue'
import type { Layer } from '../types'
import AddEffect from './AddEffect.vue'
import TableChoice from './TableChoice.vue'
import { toned, useLook, type Effect } from './useLook'

// The effects that a layer has, in the order in which they are drawn.
const props = defineProps<{ layer: Layer }>()
const { worn, put, drop } = useLook(() => props.layer)
const listed = computed(() => worn.value.filter((e) => !toned(e)))

// A property that belongs to an effect does not say so again.
function labels(e: Effect) {
  const out: Record<string, string[]> = {}
  for (const p of e.properties) {
    const title = titles.get(p) ?? p
    const short = title.startsWith(`${e.title}, `)
      ? title.slice(e.title.length + 2)
      : title === e.title
        ? 'Amount'
        : title
    const parts = partsOf.get(p) ?? ['']
    const capital = short.charAt(0).toUpperCase() + short.slice(1)
    out[p] = parts.map((part) => (part ? `${capital} ${part}` : capital))
  }
  return out
}
</script>

<script lang="ts">
import { properties } from '../gen/catalogue'
const titles = new Map<string, string>(properties.map((p) => [p.name, p.title]))
const partsOf = new Map<string, readonly string[]>(properties.map((p) => [p.name, p.colour ? [''] : p.parts]))
</script>

<template>
  <section class="effects" aria-label="Effects">
    <div class="bar">
      <h2>Effects</h2>
      <AddEffect :worn="worn" @add="put" />
    </div>
    <div v-for="e in listed" :key="e.name" class="effect" :data-effect="e.name">
      <div class="title">
        <b>{{ e.title }}</b> <small>{{ e.says }}</small>
        <IconButton icon="x-lg" title="Take off" :label="`Take off: ${e.title}`" @click="drop(e)" />
      </div>
      <TableChoice v-if="e.name === 'table'" :layer="layer" />
      <div class="four"><PropertyFields :layer="layer" :names="e.properties" :labels="labels(e)" /></div>
    </div>
  </section>
</template>

<style scoped>
.bar,
.title {
  display: flex;
  align-items: baseline;
  gap: 0.4rem;
}

.bar {
  justify-content: space-between;
}

.bar h2 {
  margin: 0;
}

.effect {
  margin-top: 0.4rem;
  padding: 0.3rem 0 0.1rem;
  border-top: 1px solid #173f4722;
}

.title b {
  font-size: 0.88rem;
}

.title small {
  flex: 1;
  font-size: 0.78rem;
  color: var(--harbour-soft);
}

.four {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(78px, 1fr));
  gap: 0.4rem 0.5rem;
  margin: 0.1rem 0 0.3rem;
}
</style>
