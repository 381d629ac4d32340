<script setup lang="ts">
import { computed } from 'vue'
import { useEditor } from '../stores/editor'
import type { Variant } from '../types'
import { shapeName } from '../words'
import { idOf, type Variants } from './useVariants'

// The variant that is chosen, large, with what is to be said of it.
const props = defineProps<{ variants: Variants; variant: Variant }>()
const emit = defineEmits<{ adjust: []; send: [] }>()
const editor = useEditor()
const found = computed(() => props.variants.found.value.get(idOf(props.variant)))
const product = computed(() => editor.clip?.products.find((p) => p.id === props.variant.product))
const shape = computed(() => editor.clip?.shapes.find((s) => s.id === props.variant.shape))
</script>

<template>
  <aside class="detail" aria-label="The chosen variant">
    <div class="picture">
      <img
        v-if="variants.revision.value && shape"
        :src="variants.poster(variant, 640)"
        :alt="`${product?.name} in ${shapeName(variant.shape)}`"
        :style="{ aspectRatio: `${shape.w} / ${shape.h}` }"
      />
    </div>
    <h3>{{ product?.name }}, {{ shapeName(variant.shape) }}</h3>
    <p class="file">{{ found?.file }}.mp4</p>
    <ul v-if="found?.findings.length" class="list-unstyled">
      <li v-for="(f, i) in found.findings" :key="i" :class="{ stops: f.stops }">
        <i class="bi" :class="f.stops ? 'bi-exclamation-triangle' : 'bi-question-circle'" aria-hidden="true" />
        <span
          ><strong v-if="f.layer">{{ f.layer }}: </strong>{{ f.says }}</span
        >
      </li>
    </ul>
    <p v-else-if="found" class="fine"><i class="bi bi-check2" aria-hidden="true" /> Nothing to look at</p>
    <div class="acts">
      <BButton size="sm" variant="outline-primary" @click="emit('adjust')">Adjust only this one</BButton>
      <BButton
        v-if="found?.adjusted"
        size="sm"
        variant="outline-primary"
        @click="editor.run({ type: 'likeOthers', ...variant })"
      >
        Make it like the others
      </BButton>
      <BButton
        size="sm"
        variant="outline-primary"
        :disabled="found?.findings.some((f) => f.stops)"
        @click="emit('send')"
      >
        Export only this one
      </BButton>
    </div>
  </aside>
</template>

<style scoped>
.detail {
  display: flex;
  flex-direction: column;
  min-height: 0;
  overflow: auto;
}

.picture {
  flex: 0 1 auto;
  display: grid;
  place-items: center;
  background: #828282;
  border-radius: 6px;
  padding: 10px;
}

img {
  max-width: 100%;
  max-height: 46vh;
}

h3 {
  font-size: 0.95rem;
  margin: 0.7rem 0 0;
}

.file {
  color: var(--harbour-soft);
  font-size: 0.8rem;
  margin: 0 0 0.4rem;
  overflow-wrap: anywhere;
}

li {
  display: flex;
  gap: 0.4rem;
  font-size: 0.82rem;
  margin-bottom: 0.25rem;
}

.stops {
  color: #9c2f10;
}

.fine {
  color: var(--kelp-deep);
  font-size: 0.85rem;
  margin: 0 0 0.4rem;
}

.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem;
  margin-top: 0.3rem;
}
</style>
