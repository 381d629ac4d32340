<script setup lang="ts">
import { computed } from 'vue'
import { useEditor } from '../stores/editor'
import type { Product } from '../types'

// Which cut-out is a product's picture.
const props = defineProps<{ product: Product | null }>()
const emit = defineEmits<{ take: [prop: string]; files: [files: File[]]; close: [] }>()
const editor = useEditor()
const pictures = computed(() => (editor.clip?.props ?? []).filter((p) => p.picture))

function bring(e: Event) {
  const input = e.target as HTMLInputElement
  const files = [...(input.files ?? [])]
  input.value = ''
  if (files.length) emit('files', files)
}
</script>

<template>
  <BModal
    title-tag="h2"
    title-class="h5"
    :model-value="!!product"
    :title="`Picture of ${product?.name ?? ''}`"
    no-footer
    @update:model-value="(is) => is || emit('close')"
  >
    <p v-if="!pictures.length" class="none">The clip has no pictures yet. Bring the cut-out in here.</p>
    <ul class="list-unstyled">
      <li v-for="p in pictures" :key="p.id">
        <button type="button" class="plain" :class="{ now: p.id === props.product?.prop }" @click="emit('take', p.id)">
          <img :src="`/api/files/${p.hash}/small`" alt="" loading="lazy" />
          <span>{{ p.name }}</span>
        </button>
      </li>
    </ul>
    <div class="go">
      <button v-if="product?.prop" type="button" class="plain" @click="emit('take', '')">No picture</button>
      <label class="btn btn-sm btn-outline-primary">
        Bring in a picture…
        <input type="file" accept="image/*" class="visually-hidden" @change="bring" />
      </label>
    </div>
  </BModal>
</template>

<style scoped>
ul {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(104px, 1fr));
  gap: 0.5rem;
  max-height: 50vh;
  overflow: auto;
}

li button {
  width: 100%;
  padding: 0.4rem;
  border: 1px solid var(--line);
  background: #fff;
}

li button.now {
  outline: 2px solid var(--kelp);
}

img {
  width: 100%;
  height: 74px;
  object-fit: contain;
}

li span {
  display: block;
  font-size: 0.75rem;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.go {
  display: flex;
  justify-content: end;
  gap: 0.6rem;
}
</style>
