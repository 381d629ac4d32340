<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, nextTick, ref, shallowRef } from 'vue'
import { readTable } from '../api'
import { languages } from '../gen/catalogue'
import { useUndoKeys } from '../editor/useUndoKeys'
import { useUploads } from '../shelf/useUploads'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'
import type { Product, TableOptions } from '../types'
import { listed } from '../words'
import BringTable from './BringTable.vue'
import ColumnMenu from './ColumnMenu.vue'
import PictureChooser from './PictureChooser.vue'
import RangeSheet from './RangeSheet.vue'
import { useRange } from './useRange'
import type { Place } from './useSheet'

// The products on offer, as a sheet.
const editor = useEditor()
const notices = useNotices()
const uploads = useUploads()
const range = useRange()
const sheet = ref<InstanceType<typeof RangeSheet> | null>(null)
const table = shallowRef<{ file: Blob; name: string; options: TableOptions } | null>(null)
const choosing = shallowRef<Product | null>(null)
const here = ref<Place>({ row: 0, column: 0 })
const dropping = ref(false)

// The range is that of all variants.
if (editor.variant) editor.workOn(null).catch(notices.fail)

const chosen = computed(() => {
  void here.value
  return sheet.value?.products() ?? []
})
const product = computed(() => range.found.value[here.value.row])
const column = computed(() => range.columns.value[here.value.column])
const mistakes = computed(() => range.mistaken.value.flatMap((q) => q.mistakes.map((m) => ({ ...m, id: q.id }))))
// What there is to say of the product in which one is.
const said = computed(() => mistakes.value.filter((m) => m.id === product.value?.id).map((m) => m.says))

// paste lays a block onto the sheet from a place on. A block with headings is looked at first.
async function paste(text: string, at: Place) {
  const columns = range.columns.value.slice(at.column).map((c) => (c.read ? '' : c.id))
  const onto = range.found.value.slice(at.row).map((p) => p.id)
  const file = new Blob([text], { type: 'text/plain' })
  try {
    await editor.outbox?.delivered()
    const first = await readTable(editor.id, file, {})
    if (first.reading.header) {
      table.value = { file, name: 'what was pasted', options: {} }
      return
    }
    const wide = Math.max(...first.rows.map((r) => r.length))
    const options = { header: false, columns: columns.slice(0, wide), onto, exactly: true }
    const { reading } = await readTable(editor.id, file, options, '\t')
    if (reading.faults?.length) {
      table.value = { file, name: 'what was pasted', options }
      return
    }
    if (reading.products?.length)
      await editor.run({ type: 'setRange', products: reading.products, props: reading.props ?? [] })
  } catch (e) {
    notices.fail(e)
  }
}

// take brings files in: a table is looked at first, pictures go to the products they are named after.
async function take(files: File[], of?: Product) {
  const tables = files.filter((f) => /\.(csv|tsv|txt|xlsx|xlsm|xls)$/i.test(f.name))
  if (tables.length) table.value = { file: tables[0], name: tables[0].name, options: {} }
  const pictures = files.filter((f) => !tables.includes(f))
  if (!pictures.length) return
  const props = (await uploads.bring(pictures)).filter((p) => p.picture)
  if (!props.length || !(await editor.run({ type: 'bringPictures', props }))) return
  const ids = props.map((p) => editor.clip?.props.find((x) => x.hash === p.hash)?.id)
  if (of) {
    await editor.run({ type: 'setProduct', product: { ...of, prop: ids[0] } })
    return
  }
  const unclaimed = props.filter((_, i) => !range.products.value.some((p) => p.prop === ids[i]))
  const n = props.length - unclaimed.length
  if (n) notices.say(n === 1 ? '1 picture went to its product' : `${n} pictures went to their products`)
  if (unclaimed.length)
    notices.say(
      `No product is called ${listed(unclaimed.map((p) => p.name))}: ${unclaimed.length === 1 ? 'it is' : 'they are'} among the props, to be chosen in the Picture column`,
      'problem'
    )
}

function files(e: Event) {
  const input = e.target as HTMLInputElement
  const list = [...(input.files ?? [])]
  input.value = ''
  take(list).catch(notices.fail)
}

useEventListener(window, 'dragover', (e: DragEvent) => {
  if (!e.dataTransfer?.types.includes('Files')) return
  e.preventDefault()
  dropping.value = true
})
useEventListener(window, 'dragleave', (e: DragEvent) => {
  if (!e.relatedTarget) dropping.value = false
})
useEventListener(window, 'drop', (e: DragEvent) => {
  dropping.value = false
  if (!e.dataTransfer?.files.length) return
  e.preventDefault()
  take([...e.dataTransfer.files]).catch(notices.fail)
})
useUndoKeys()

async function add() {
  if (!(await range.add())) return
  range.finding.value = ''
  await nextTick()
  sheet.value?.sheet.to({
    row: range.found.value.length - 1,
    column: range.columns.value.findIndex((c) => c.id === 'name')
  })
  await nextTick()
  sheet.value?.focus()
}

async function show(id: string) {
  if (await editor.run({ type: 'setClip', shown: id })) notices.say(`The clip shows ${product.value?.name} now`)
}

// scenes repeats the scene that is open, once for each of the chosen products.
async function scenes() {
  const list = chosen.value
  const done = await editor.run({ type: 'sceneForEach', scene: editor.scene, products: list.map((p) => p.id) })
  if (done) notices.say(`The clip has a scene for each of ${listed(list.map((p) => p.name))}`)
}

function goTo(id: string) {
  range.finding.value = ''
  const row = range.products.value.findIndex((p) => p.id === id)
  if (row >= 0) sheet.value?.sheet.to({ row, column: here.value.column })
}

async function picture(prop: string) {
  const p = choosing.value
  choosing.value = null
  if (p) await editor.run({ type: 'setProduct', product: { ...p, prop: prop || undefined } })
  sheet.value?.focus()
}
</script>

<template>
  <section class="range" aria-label="The range">
    <div class="bar">
      <h2>Range</h2>
      <span class="count"
        >{{ range.products.value.length }} {{ range.products.value.length === 1 ? 'product' : 'products' }}</span
      >
      <BButton size="sm" variant="outline-primary" @click="add">Add a product</BButton>
      <label class="btn btn-sm btn-outline-primary" title="CSV or Excel; or drop it anywhere here">
        Bring in a table…
        <input type="file" accept=".csv,.tsv,.txt,.xlsx,.xlsm" class="visually-hidden" @change="files" />
      </label>
      <label class="btn btn-sm btn-outline-primary" title="Each goes to the product its file is named after">
        Bring in pictures…
        <input type="file" accept="image/*" multiple class="visually-hidden" @change="files" />
      </label>
      <a
        v-if="range.products.value.length"
        class="btn btn-sm btn-outline-primary"
        :href="`/api/clips/${editor.id}/range.csv`"
        download
        >Save as CSV</a
      >
      <span class="flex-fill" />
      <input
        v-if="range.products.value.length > 8"
        v-model="range.finding.value"
        class="form-control form-control-sm find"
        type="search"
        placeholder="Find a product"
        aria-label="Find a product"
      />
      <label class="language" title="Of texts that are translated, and of prices">
        Language
        <select
          class="form-select form-select-sm"
          :value="editor.clip?.language ?? 'en'"
          @change="editor.run({ type: 'setClip', language: ($event.target as HTMLSelectElement).value })"
        >
          <option v-for="l in languages" :key="l.id" :value="l.id">{{ l.name }}</option>
        </select>
      </label>
      <ColumnMenu :range="range" />
    </div>
    <RangeSheet
      v-if="range.products.value.length"
      ref="sheet"
      :range="range"
      @paste="paste"
      @at="here = $event"
      @open="choosing = range.found.value[$event.row]"
    />
    <div v-else class="empty">
      <h3>What is on offer?</h3>
      <p>
        Bring in a price list as CSV or Excel, paste a block of cells here, or begin with one product. Words and
        cut-outs of the clip show these products.
      </p>
      <input
        class="form-control"
        aria-label="Paste a block of cells here"
        placeholder="Paste a block of cells here"
        @paste.prevent="
          paste($event.clipboardData?.getData('text/plain') ?? '', {
            row: 0,
            column: range.columns.value.findIndex((c) => c.id === 'name')
          })
        "
      />
    </div>
    <footer v-if="range.products.value.length" class="foot">
      <span class="where">
        <template v-if="product && column">
          <strong>{{ column.name }}</strong> of {{ product.name }}
          <span v-if="column.hint" class="hint">{{ column.hint }}</span>
        </template>
      </span>
      <span v-if="said.length" class="wrong" role="status">
        <i class="bi bi-exclamation-triangle" aria-hidden="true" /> {{ said[0] }}
      </span>
      <span class="flex-fill" />
      <button v-if="mistakes.length" type="button" class="plain wrong" @click="goTo(mistakes[0].id)">
        {{ mistakes.length }} {{ mistakes.length === 1 ? 'mistake' : 'mistakes' }} in the prices
      </button>
      <button v-if="chosen.length > 1" type="button" class="plain" @click="scenes">
        A scene for each of these {{ chosen.length }}
      </button>
      <button v-if="product && editor.clip?.shown !== product.id" type="button" class="plain" @click="show(product.id)">
        Show {{ product.name }} in the clip
      </button>
      <button type="button" class="plain" @click="range.remove(chosen.map((p) => p.id))">
        Take out {{ chosen.length === 1 ? chosen[0].name : `${chosen.length} products` }}
      </button>
    </footer>
    <BringTable :table="table" @close="table = null" />
    <PictureChooser
      :product="choosing"
      @take="picture"
      @files="(list) => (take(list, choosing ?? undefined).catch(notices.fail), (choosing = null))"
      @close="choosing = null"
    />
    <div v-if="dropping" class="drop">
      Let go: a table is looked at first, pictures go to the products they are named after
    </div>
  </section>
</template>

<style scoped>
.range {
  grid-area: view;
  display: grid;
  grid-template-rows: auto minmax(0, 1fr) auto;
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

.count {
  color: var(--harbour-soft);
  margin-right: 0.5rem;
}

.find {
  width: 11rem;
}

.language {
  display: flex;
  align-items: center;
  gap: 0.4rem;
  font-size: 0.8rem;
}

.language select {
  width: 10rem;
}

.empty {
  place-self: center;
  width: min(34rem, 90%);
  text-align: center;
}

.foot {
  display: flex;
  align-items: center;
  gap: 0.8rem;
  min-height: 28px;
  font-size: 0.82rem;
}

.where,
.foot .wrong {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.foot button {
  flex: none;
}

.hint {
  color: var(--harbour-soft);
  margin-left: 0.5rem;
}

.wrong {
  color: #9c2f10;
}

.drop {
  position: fixed;
  inset: 12px;
  display: grid;
  place-items: center;
  border: 3px dashed var(--kelp);
  border-radius: 6px;
  background: rgba(252, 250, 245, 0.9);
  font: 700 1.6rem 'Bricolage Grotesque';
  z-index: 1500;
  pointer-events: none;
}
</style>
