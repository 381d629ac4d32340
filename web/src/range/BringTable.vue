<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { readTable, type ReadTable } from '../api'
import { rangeFields } from '../gen/catalogue'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'
import type { TableOptions } from '../types'
import { columnOf } from './columns'

// What would become of a table, before anything is changed.
const props = defineProps<{ table: { file: Blob; name: string; options: TableOptions } | null }>()
const emit = defineEmits<{ close: [] }>()
const editor = useEditor()
const notices = useNotices()
const found = shallowRef<ReadTable | null>(null)
const problem = ref('')
const options = ref<TableOptions>({})
const separator = ref('')
const busy = ref(false)

watch(
  () => props.table,
  (t) => {
    found.value = null
    problem.value = separator.value = ''
    options.value = t?.options ?? {}
    if (t) read()
  },
  { immediate: true }
)

async function read(more: TableOptions = {}) {
  if (!props.table) return
  options.value = { ...options.value, ...more }
  busy.value = true
  try {
    await editor.outbox?.delivered()
    found.value = await readTable(editor.id, props.table.file, options.value, separator.value)
    problem.value = ''
  } catch (e) {
    problem.value = e instanceof Error ? e.message : String(e)
    found.value = null
  }
  busy.value = false
}

function part(by: string) {
  separator.value = by
  read({ columns: undefined, header: undefined })
}

function column(i: number, field: string) {
  const columns = [...(reading.value?.columns ?? [])].map((c) => (c === field ? '' : c))
  columns[i] = field
  read({ columns })
}

const reading = computed(() => found.value?.reading)
const faults = computed(() => (reading.value?.faults ?? []).filter((f) => !f.doubt))
const doubts = computed(() => (reading.value?.faults ?? []).filter((f) => f.doubt))
const at = computed(() => new Map((reading.value?.faults ?? []).map((f) => [`${f.row}-${f.column}`, f])))
const bad = computed(() => new Set(faults.value.map((f) => f.row)))
const count = computed(() => reading.value?.products?.length ?? 0)
const choices = computed(() => {
  const own = (reading.value?.columns ?? []).filter((c) => c && !rangeFields.some((f) => f.id === c))
  return [...rangeFields.map((f) => f.id as string), ...new Set(own)].map((id) => ({ id, name: columnOf(id).name }))
})
const what = computed(() => {
  const r = reading.value
  if (!r) return ''
  const parts = [
    r.added && `${r.added} new`,
    r.changed && `${r.changed} changed`,
    r.same && `${r.same} as they are already`,
    bad.value.size && `${bad.value.size} cannot be taken`
  ]
  return parts.filter(Boolean).join(', ')
})
const separators = [
  { id: '\t', name: 'Tab' },
  { id: ';', name: 'Semicolon' },
  { id: ',', name: 'Comma' },
  { id: '|', name: 'Bar' }
]

async function take() {
  const products = reading.value?.products
  if (!products?.length || !(await editor.run({ type: 'setRange', products, props: reading.value?.props ?? [] })))
    return
  notices.say(
    `${products.length === 1 ? '1 product' : `${products.length} products`} of ${props.table?.name ?? 'the table'} ${products.length === 1 ? 'is' : 'are'} in the range`
  )
  emit('close')
}
</script>

<template>
  <BModal
    title-tag="h2"
    title-class="h5"
    :model-value="!!table"
    :title="`What ${table?.name ?? 'the table'} would bring`"
    size="xl"
    no-footer
    @update:model-value="(is) => is || emit('close')"
  >
    <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
    <p v-else-if="!reading" role="status">Reading the table…</p>
    <template v-else>
      <div class="how">
        <label v-if="found?.separator">
          Between cells
          <select
            class="form-select form-select-sm"
            :value="found.separator"
            @change="part(($event.target as HTMLSelectElement).value)"
          >
            <option v-for="s in separators" :key="s.id" :value="s.id">{{ s.name }}</option>
          </select>
        </label>
        <label>
          Before decimals
          <select
            class="form-select form-select-sm"
            :value="reading.point"
            @change="read({ point: ($event.target as HTMLSelectElement).value })"
          >
            <option value="">Each cell by itself</option>
            <option value=".">A point, 12.50</option>
            <option value=",">A comma, 12,50</option>
          </select>
        </label>
        <label>
          Currency, where none is named
          <input
            class="form-control form-control-sm"
            :value="reading.currency"
            maxlength="3"
            @change="read({ currency: ($event.target as HTMLInputElement).value.toUpperCase() })"
          />
        </label>
        <label class="check">
          <input
            type="checkbox"
            :checked="reading.header"
            @change="read({ header: ($event.target as HTMLInputElement).checked, columns: undefined })"
          />
          The first row says what is in the columns
        </label>
      </div>
      <div class="table" tabindex="0" role="region" aria-label="The table">
        <table>
          <thead>
            <tr>
              <th class="n"><span class="visually-hidden">Row</span></th>
              <th v-for="(c, i) in reading.columns" :key="i">
                <select
                  class="form-select form-select-sm"
                  :value="c"
                  :aria-label="`What column ${i + 1} is`"
                  @change="column(i, ($event.target as HTMLSelectElement).value)"
                >
                  <option value="">Left out</option>
                  <option v-for="o in choices" :key="o.id" :value="o.id">{{ o.name }}</option>
                </select>
              </th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(row, r) in found?.rows" :key="r" :class="{ heads: !r && reading.header, out: bad.has(r + 1) }">
              <th class="n">{{ r + 1 }}</th>
              <td
                v-for="(c, i) in reading.columns"
                :key="i"
                :class="{
                  left: !c,
                  fault: at.get(`${r + 1}-${i + 1}`)?.doubt === undefined && at.has(`${r + 1}-${i + 1}`),
                  doubt: at.get(`${r + 1}-${i + 1}`)?.doubt
                }"
                :title="at.get(`${r + 1}-${i + 1}`)?.says"
              >
                {{ row[i] }}
              </td>
            </tr>
          </tbody>
        </table>
        <p v-if="found && found.length > found.rows.length" class="more">
          and {{ found.length - found.rows.length }} more rows
        </p>
      </div>
      <ul v-if="faults.length || doubts.length" class="faults list-unstyled">
        <li v-for="(f, i) in [...faults, ...doubts].slice(0, 60)" :key="i" :class="{ wrong: !f.doubt }">
          <i class="bi" :class="f.doubt ? 'bi-question-circle' : 'bi-exclamation-triangle'" aria-hidden="true" />
          Row {{ f.row
          }}<template v-if="f.column > 0">, {{ reading.headings[f.column - 1] || `column ${f.column}` }}</template
          >: {{ f.says }}
        </li>
      </ul>
      <div class="go">
        <span role="status"
          >{{ what }}<template v-if="doubts.length">; {{ doubts.length }} to look at</template></span
        >
        <button type="button" class="plain" @click="emit('close')">Change nothing</button>
        <BButton class="btn-act" :variant="null" :disabled="!count || busy" @click="take">
          {{ bad.size ? `Take the ${count} that are right` : `Take ${count} ${count === 1 ? 'product' : 'products'}` }}
        </BButton>
      </div>
    </template>
  </BModal>
</template>

<style scoped>
.how {
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 0.5rem 1rem;
  margin-bottom: 0.7rem;
}

.how label {
  font-size: 0.8rem;
}

.how .check {
  display: flex;
  gap: 0.4rem;
  padding-bottom: 0.25rem;
}

.how input.form-control {
  width: 5rem;
}

.table {
  max-height: 44vh;
  overflow: auto;
  border: 1px solid var(--line);
  border-radius: 6px;
  background: #fff;
  user-select: text;
}

table {
  border-collapse: collapse;
  min-width: 100%;
}

th,
td {
  border-bottom: 1px solid var(--line);
  border-right: 1px solid var(--line);
  padding: 0.15rem 0.45rem;
  white-space: nowrap;
  max-width: 16rem;
  overflow: hidden;
  text-overflow: ellipsis;
}

thead th {
  position: sticky;
  top: 0;
  background: var(--sailcloth);
  min-width: 8rem;
}

.n {
  min-width: 2.4rem !important;
  color: var(--harbour-soft);
  font-weight: 400;
  text-align: right;
  background: var(--sailcloth);
}

.heads td {
  font-weight: 700;
}

.out td {
  color: var(--harbour-soft);
  text-decoration: line-through;
}

td.left {
  opacity: 0.45;
}

td.fault {
  background: #f7d9cf;
  color: #7c2408;
  text-decoration: none;
}

td.doubt {
  background: #f4e6c8;
}

.more {
  padding: 0.4rem 0.6rem;
  margin: 0;
  color: var(--harbour-soft);
}

.faults {
  max-height: 8.5rem;
  overflow: auto;
  margin: 0.7rem 0 0;
}

.wrong {
  color: #9c2f10;
}

.go {
  display: flex;
  align-items: center;
  gap: 0.8rem;
  margin-top: 0.9rem;
}

.go span {
  flex: 1;
}
</style>
