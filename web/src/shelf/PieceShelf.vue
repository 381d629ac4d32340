<script setup lang="ts">
import { pieces } from '../gen/catalogue'
import FigureLook from '../parts/FigureLook.vue'
import { useBrands } from '../stores/brands'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'
import { useResting } from '../tabletop/useResting'
import type { Command } from '../types'
import { useShelf } from './useShelf'

// Ready groups: badges, a button, an end card, a lower line. While the pointer rests on one,
// it comes in the picture; pressed, it stays.
const editor = useEditor()
const brands = useBrands()
const shelf = useShelf()

// How each looks, as a figure or as an icon.
const looks: Record<string, string> = {
  'price-disc': 'disc',
  'sale-burst': 'burst',
  'swing-tag': 'tag',
  'pill-badge': 'card',
  'ribbon-badge': 'ribbon',
  'ticket-badge': 'ticket',
  'seal-badge': 'burst'
}
const icons: Record<string, string> = {
  'corner-band': 'bi bi-bookmark',
  button: 'bi bi-hand-index',
  'end-card': 'bi bi-postcard',
  'lower-line': 'bi bi-layout-text-sidebar-reverse'
}

// The brand's logo, which the clip may not know yet.
async function logo(): Promise<{ id: string; first: Command[] }> {
  const own = editor.clip?.props.find((p) => brands.logos.has(p.hash))
  if (own) return { id: own.id, first: [] }
  if (!brands.logos.size) return { id: '', first: [] }
  if (!shelf.all.value.length) await shelf.load()
  const kept = shelf.all.value.find((s) => brands.logos.has(s.prop.hash))
  return kept ? { id: kept.prop.id, first: [{ type: 'addProp', prop: kept.prop }] } : { id: '', first: [] }
}

// What is chosen may show a product; else the clip's first one is spoken of.
const product = () => editor.view.rows.find((r) => r.layer === editor.selected)?.shows || editor.clip?.products[0]?.id

async function made(kind: string, id: string, withLogo: boolean) {
  const mark = withLogo && kind === 'end-card' ? await logo() : { id: '', first: [] }
  if (mark.first.length) await editor.run(mark.first[0])
  const first = brands.list[0]
  const answer = await editor.ask('piece', {
    kind,
    product: product(),
    brand: first?.colours,
    logo: mark.id || undefined,
    frame: editor.frame
  })
  return { type: 'addLayers', layers: answer.layers, id } satisfies Command
}

const { point, rest, leave, play } = useResting<string>(async (kind, wanted) => {
  const command = await made(kind, 'piece-seen', false)
  const rate = editor.clip?.rate ?? 30
  const to = Math.min(editor.frame + Math.round(2.6 * rate), editor.view.length - 1)
  if (wanted()) await play(command, editor.frame, to)
})

async function take(kind: string) {
  leave()
  try {
    const id = `${kind}-${Date.now() % 100000}`
    await editor.run(await made(kind, id, true), id)
  } catch (e) {
    useNotices().fail(e)
  }
}
</script>

<template>
  <div class="pieces" @pointerleave="leave">
    <button
      v-for="p in pieces"
      :key="p.id"
      class="plain piece"
      :title="p.says"
      @pointermove="point($event, p.id)"
      @focus="rest(p.id)"
      @blur="leave"
      @click="take(p.id)"
    >
      <i v-if="icons[p.id]" :class="icons[p.id]" aria-hidden="true" />
      <FigureLook v-else :form="looks[p.id]" />
      {{ p.name }}
    </button>
  </div>
</template>

<style scoped>
.pieces {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(104px, 1fr));
  gap: 0.25rem;
}

.piece {
  display: grid;
  justify-items: center;
  gap: 0.1rem;
  border: 1px solid var(--line);
  font-size: 0.74rem;
  padding: 0.25rem 0;
}

.piece i {
  font-size: 1.05rem;
  line-height: 1.1;
}
</style>
