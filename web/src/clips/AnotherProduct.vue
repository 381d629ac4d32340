<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, type ClipSummary, type Offered } from '../api'
import { Problem, type Clip, type Command, type Product } from '../types'
import { allOffered } from './offered'
import ProductPicker from './ProductPicker.vue'

// The same clip for another product: which ones take the place of its own.
const props = defineProps<{ clip: ClipSummary | null }>()
const emit = defineEmits<{ done: [] }>()
const router = useRouter()
const source = ref<Clip | null>(null)
const offered = ref<Offered[]>([])
const problem = ref('')
const name = ref('')
const named = ref(false) // a person has named the new clip
const taken = reactive<Record<string, Offered>>({}) // by the product that goes

watch(
  () => props.clip,
  async (c) => {
    if (!c) return
    source.value = null
    problem.value = ''
    named.value = false
    for (const id of Object.keys(taken)) delete taken[id]
    try {
      const [got, list] = await Promise.all([api.clip(c.id), allOffered()])
      source.value = got.clip
      offered.value = list
      nameIt()
    } catch (e) {
      problem.value = e instanceof Error ? e.message : String(e)
    }
  }
)

const changed = computed(() => Object.keys(taken).length)

// The new clip is called after its first new product, unless it is named by hand.
function nameIt() {
  if (named.value || !source.value) return
  const first = source.value.products.find((p) => taken[p.id])
  const before = source.value.name
  if (!first) name.value = before
  else if (before.includes(first.name)) name.value = before.replace(first.name, taken[first.id].product.name)
  else name.value = `${before}: ${taken[first.id].product.name}`
}

function take(goes: Product, o: Offered) {
  taken[goes.id] = o
  nameIt()
}

async function make(event: { preventDefault(): void }) {
  event.preventDefault()
  problem.value = ''
  const commands: Command[] = Object.entries(taken).map(([product, o]) => ({
    type: 'tradeProduct',
    product,
    for: { ...o.product, prop: o.prop ? undefined : '' },
    prop: o.prop ?? undefined
  }))
  try {
    const { id } = await api.copy((props.clip as ClipSummary).id, name.value, commands)
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
    :model-value="clip !== null"
    size="lg"
    scrollable
    title="The same for another product"
    ok-title="Make the clip"
    :ok-disabled="!changed || !name.trim()"
    cancel-title="Leave it"
    @ok="make"
    @hidden="emit('done')"
  >
    <p v-if="!source && !problem" role="status">Reading the clip…</p>
    <template v-if="source">
      <p v-if="!source.products.length">
        This clip sells no product yet. Give it one in its settings, let words and cut-outs show it, and it can be made
        for others.
      </p>
      <ProductPicker
        v-for="p in source.products"
        :key="p.id"
        :title="`Instead of ${p.name}`"
        :place="{ product: p, prop: source.props.find((x) => x.id === p.prop) }"
        :currency="p.currency"
        :offered="offered"
        :taken="taken[p.id]"
        @take="take(p, $event)"
        @leave="(delete taken[p.id], nameIt())"
      />
      <label v-if="changed" class="name">
        Name of the new clip
        <input v-model="name" maxlength="120" @input="named = true" />
      </label>
    </template>
    <p v-if="problem" class="text-danger mb-0" role="alert">{{ problem }}</p>
  </BModal>
</template>

<style scoped>
.name {
  display: grid;
  gap: 0.2rem;
  font-weight: 700;
}

.name input {
  border: 1px solid var(--line);
  border-radius: 6px;
  padding: 0.3rem 0.6rem;
  font-weight: 400;
}
</style>
