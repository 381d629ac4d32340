<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { useUndoKeys } from '../editor/useUndoKeys'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'
import type { Variant } from '../types'
import ExportsOfVariants from './ExportsOfVariants.vue'
import VariantDetail from './VariantDetail.vue'
import VariantGrid from './VariantGrid.vue'
import WhichVariants from './WhichVariants.vue'
import { idOf, useVariants } from './useVariants'

// The same clip for many products, shapes and languages.
const editor = useEditor()
const notices = useNotices()
const router = useRouter()
const variants = useVariants()
useUndoKeys()
const chosen = ref<Variant | null>(null)
const now = computed(() => {
  const v = chosen.value
  return v && variants.all.value.some((x) => idOf(x) === idOf(v)) ? v : (variants.all.value[0] ?? null)
})
const quick = ref(false)

// One that was worked on by itself is done with.
if (editor.variant) {
  chosen.value = editor.variant
  editor.workOn(null).catch(notices.fail)
}

async function adjust(v: Variant) {
  await editor.workOn(v).then(() => router.push(`/clips/${editor.id}`), notices.fail)
}

// The product that words speak of by itself, which could be followed instead.
const own = computed(() => {
  const used = (editor.clip?.layers ?? []).map((l) => l.words?.product).find((p) => p && p !== '@product')
  return editor.clip?.products.find((p) => p.id === used)
})
const ready = computed(() => variants.count.value - variants.stopped.value.length)

const next = ref(0)
watch(variants.troubled, () => (next.value = 0))
function trouble() {
  const list = variants.troubled.value
  chosen.value = list[next.value % list.length] ?? null
  next.value++
}

const takeAll = () => editor.run({ type: 'setVariants', products: editor.clip?.products.map((p) => p.id) ?? [] })
</script>

<template>
  <section class="variants" aria-label="Variants of the clip">
    <div class="bar">
      <h2>Variants</h2>
      <span class="count">{{ variants.count.value }}</span>
      <WhichVariants :variants="variants" />
      <span class="flex-fill" />
      <span v-if="variants.looking.value" class="looking" role="status">Looking them over…</span>
      <button v-else-if="variants.troubled.value.length" type="button" class="plain wrong" @click="trouble">
        <i class="bi bi-exclamation-triangle" aria-hidden="true" />
        {{ variants.troubled.value.length }} to look at
      </button>
      <label
        v-if="variants.count.value"
        class="quick"
        title="Made in less than half the time and smaller, for you to watch; not for posting"
      >
        <input v-model="quick" type="checkbox" /> Quick look
      </label>
      <BButton
        v-if="variants.count.value"
        class="btn-act"
        :variant="null"
        size="sm"
        :disabled="!ready"
        @click="variants.send([], quick)"
      >
        Export {{ ready }} {{ ready === 1 ? 'variant' : 'variants' }}
      </BButton>
    </div>
    <p v-if="!variants.follows.value && editor.clip?.products.length" class="unbound" role="alert">
      Nothing in the clip follows the product yet, so all variants look alike.
      <button
        v-if="own"
        type="button"
        class="btn btn-sm btn-outline-primary"
        @click="editor.run({ type: 'bindProduct', product: own.id })"
      >
        Let all that shows {{ own.name }} follow it
      </button>
      <template v-else>In words, choose “the product of the scene” for what they speak of.</template>
    </p>
    <div v-if="variants.count.value" class="body">
      <VariantGrid :variants="variants" :now="now" @choose="chosen = $event" @adjust="adjust" />
      <VariantDetail
        v-if="now"
        :variants="variants"
        :variant="now"
        @adjust="adjust(now)"
        @send="variants.send([now], quick)"
      />
    </div>
    <div v-else class="empty">
      <h3>One clip for all products</h3>
      <template v-if="editor.clip?.products.length">
        <p>Each product gets the clip in every shape. Choose them above, or</p>
        <BButton variant="primary" @click="takeAll">take all {{ editor.clip.products.length }} products</BButton>
      </template>
      <p v-else>
        The clip has no products yet.
        <RouterLink :to="`/clips/${editor.id}/range`">Put them into the range</RouterLink> first.
      </p>
    </div>
    <ExportsOfVariants :exports="variants.exports.value" />
  </section>
</template>

<style scoped>
.variants {
  grid-area: view;
  display: flex;
  flex-direction: column;
  gap: 0.5rem;
  padding: 0.6rem 0.9rem 0.5rem;
  min-width: 0;
}

.bar {
  display: flex;
  align-items: center;
  gap: 0.5rem;
  flex-wrap: wrap;
}

h2 {
  font-size: 1.15rem;
  margin: 0;
}

.count,
.looking {
  color: var(--harbour-soft);
}

.wrong {
  color: #9c2f10;
}

.quick {
  display: flex;
  gap: 0.35rem;
  font-size: 0.82rem;
}

.unbound {
  margin: 0;
  padding: 0.4rem 0.7rem;
  background: #f4e6c8;
  border-radius: 6px;
}

.body {
  flex: 1;
  display: grid;
  grid-template-columns: minmax(0, 1fr) 312px;
  gap: 0.8rem;
  min-height: 0;
}

.empty {
  flex: 1;
  align-self: center;
  display: grid;
  place-content: center;
  text-align: center;
}
</style>
