<script setup lang="ts">
import { computed } from 'vue'
import ChoiceField from '../parts/ChoiceField.vue'
import { useShelf } from '../shelf/useShelf'
import { useUploads } from '../shelf/useUploads'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'
import type { Command, Layer, Prop } from '../types'

// Which table of colours a layer uses: one of those on the shelf, or a file that is brought in.
const props = defineProps<{ layer: Layer }>()
const editor = useEditor()
const shelf = useShelf()
const uploads = useUploads()
shelf.load()

const tables = computed(() => {
  const out = new Map<string, Prop>()
  for (const p of [...(editor.clip?.props ?? []), ...shelf.all.value.map((s) => s.prop)])
    if (p.kind === 'table' && !out.has(p.hash)) out.set(p.hash, p)
  return [...out.values()]
})
const now = computed(() => editor.clip?.props.find((p) => p.id === props.layer.table)?.hash ?? '')

function choose(hash: string) {
  const prop = tables.value.find((p) => p.hash === hash)
  const known = editor.clip?.props.find((p) => p.hash === hash)
  const commands: Command[] = prop && !known ? [{ type: 'addProp', prop }] : []
  commands.push({ type: 'setLayer', layer: props.layer.id, set: { table: known?.id ?? prop?.id ?? '' } })
  return editor.runAll(commands)
}

async function bring(event: Event) {
  const input = event.target as HTMLInputElement
  const files = [...(input.files ?? [])]
  input.value = ''
  try {
    const [brought] = await uploads.bring(files)
    if (!brought) return
    if (brought.kind !== 'table') return useNotices().say(`${brought.name} is no table of colours`)
    await shelf.load()
    const known = editor.clip?.props.find((p) => p.hash === brought.hash)
    await editor.runAll([
      ...(known ? [] : [{ type: 'addProp', prop: brought } as Command]),
      { type: 'setLayer', layer: props.layer.id, set: { table: known?.id ?? brought.id } }
    ])
  } catch (e) {
    useNotices().fail(e)
  }
}
</script>

<template>
  <div class="table">
    <ChoiceField
      label="Table"
      :value="now"
      :options="[
        { id: '', name: tables.length ? 'Choose one' : 'None yet' },
        ...tables.map((t) => ({ id: t.hash, name: t.name }))
      ]"
      @change="choose"
    />
    <label class="btn btn-light btn-sm">
      Bring one in
      <input type="file" accept=".cube" class="visually-hidden" @change="bring" />
    </label>
  </div>
</template>

<style scoped>
.table {
  display: flex;
  gap: 0.5rem;
  align-items: end;
  margin: 0.2rem 0;
}
</style>
