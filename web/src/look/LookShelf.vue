<script setup lang="ts">
import { computed, nextTick, ref } from 'vue'
import MoreMenu from '../parts/MoreMenu.vue'
import { useDesk } from '../stores/desk'
import { useEditor } from '../stores/editor'
import { useLooks } from '../stores/looks'
import { useNotices } from '../stores/notices'
import type { Layer, NamedLook } from '../types'
import { useLook } from './useLook'
import { useSwatches } from './useSwatches'

// The named looks, each with the frame as it would be. What a layer has now can be kept as one, and
// copied to others.
const props = defineProps<{ layer: Layer }>()
const editor = useEditor()
const desk = useDesk()
const looks = useLooks()
const notices = useNotices()
looks.load()

const { worn, values, table, wearing } = useLook(() => props.layer)
const none = { id: '', name: 'None', values: {} } as NamedLook
const all = computed(() => [none, ...looks.all])
const swatches = useSwatches(
  () => all.value.map((l) => ({ id: l.id, command: wearing(l) })),
  () => props.layer.id
)

// A look is worn when the layer has just its values.
const same = (a: object, b: object) =>
  JSON.stringify(Object.entries(a).sort()) === JSON.stringify(Object.entries(b).sort())
const wears = (l: NamedLook) => same(l.values, values.value) && (l.table?.hash ?? '') === (table.value?.hash ?? '')

const naming = ref(false)
const name = ref('')
const field = ref<HTMLInputElement | null>(null)
async function begin() {
  name.value = `${props.layer.name} look`
  naming.value = true
  await nextTick()
  field.value?.select()
}
async function keep() {
  if (!name.value.trim()) return
  const id = `look-${Date.now().toString(36)}`
  try {
    await looks.keep({
      id,
      name: name.value.trim(),
      values: values.value,
      ...(table.value ? { table: table.value } : {})
    })
    naming.value = false
    notices.say(`The look ${name.value.trim()} is kept for all clips`)
  } catch (e) {
    notices.fail(e)
  }
}

const from = computed(() =>
  desk.lookOf && desk.lookOf !== props.layer.id ? editor.layers.get(desk.lookOf) : undefined
)
function copy() {
  desk.lookOf = props.layer.id
  notices.say(`The look of ${props.layer.name} is copied: choose others and paste it there`)
}
const paste = () =>
  editor.run({ type: 'wearLook', from: desk.lookOf, onto: editor.chosen.length ? editor.chosen : [props.layer.id] })
</script>

<template>
  <section aria-label="Looks">
    <div class="looks">
      <div v-for="l in all" :key="l.id" class="one" :class="{ worn: wears(l) }">
        <button class="plain" :aria-pressed="wears(l)" :data-look="l.id" @click="editor.run(wearing(l))">
          <canvas :ref="(c) => swatches.onto(l.id, c as HTMLCanvasElement | null)" aria-hidden="true" />
          <span>{{ l.name }}</span>
        </button>
        <MoreMenu v-if="looks.isOwn(l)" class="more-of" :label="`More of the look ${l.name}`">
          <BDropdownItem @click="looks.remove(l).catch(notices.fail)">Delete the look</BDropdownItem>
        </MoreMenu>
      </div>
    </div>
    <form v-if="naming" class="keeping" @submit.prevent="keep">
      <input
        ref="field"
        v-model="name"
        aria-label="Name of the look"
        maxlength="60"
        @keydown.esc.stop="naming = false"
      />
      <button class="btn btn-light btn-sm" type="submit">Keep</button>
    </form>
    <div v-else class="ways">
      <button v-if="worn.length" class="plain" @click="begin">
        <i class="bi bi-bookmark-plus" aria-hidden="true" /> Keep this look
      </button>
      <button v-if="worn.length" class="plain" @click="copy">
        <i class="bi bi-clipboard" aria-hidden="true" /> Copy it
      </button>
      <button v-if="from" class="plain" @click="paste">
        <i class="bi bi-clipboard-check" aria-hidden="true" /> Look as {{ from.name }}
      </button>
    </div>
  </section>
</template>

<style scoped>
.looks {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(70px, 1fr));
  gap: 0.35rem;
}

.one {
  position: relative;
}

.one > button {
  display: block;
  width: 100%;
  padding: 2px;
  text-align: center;
  border-radius: 8px;
  border: 2px solid transparent;
}

.one.worn > button {
  border-color: var(--harbour);
}

canvas {
  display: block;
  width: 100%;
  border-radius: 5px;
  background: var(--sand, #eee);
}

.one span {
  display: block;
  font-size: 0.74rem;
  line-height: 1.15;
  padding-top: 3px;
}

.more-of {
  position: absolute;
  top: 2px;
  right: 2px;
}

.ways,
.keeping {
  display: flex;
  flex-wrap: wrap;
  gap: 0.2rem 0.6rem;
  margin: 0.35rem 0 0;
  font-size: 0.82rem;
}

.keeping input {
  flex: 1;
  min-width: 0;
}
</style>
