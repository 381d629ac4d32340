<script setup lang="ts">
import { ref } from 'vue'
import { pieces, pieceSides } from '../gen/catalogue'
import FigureLook from '../parts/FigureLook.vue'
import { useBrands } from '../stores/brands'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'
import { useResting } from '../tabletop/useResting'
import IconButton from '../parts/IconButton.vue'
import type { Command, Prop } from '../types'
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
  'seal-badge': 'burst'
}
const icons: Record<string, string> = {
  'ticket-badge': 'bi bi-ticket-perforated',
  'corner-band': 'bi bi-bookmark',
  button: 'bi bi-hand-index',
  'end-card': 'bi bi-postcard',
  'lower-line': 'bi bi-layout-text-sidebar-reverse',
  'small-print': 'bi bi-card-text'
}

// The side from which those open that do.
const side = ref('')
const arrows: Record<string, string> = {
  '': 'arrows-expand-vertical',
  left: 'arrow-right',
  right: 'arrow-left',
  above: 'arrow-down',
  below: 'arrow-up'
}

// The brand's logo, which the clip may not have yet.
async function logo(): Promise<Prop | undefined> {
  const own = editor.clip?.props.find((p) => brands.logos.has(p.hash))
  if (own || !brands.logos.size) return own
  if (!shelf.all.value.length) await shelf.load()
  return shelf.all.value.find((s) => brands.logos.has(s.prop.hash))?.prop
}

async function made(kind: string, id: string, withLogo: boolean): Promise<Command[]> {
  const mark = withLogo && kind === 'end-card' ? await logo() : undefined
  const lacks = mark && !editor.clip?.props.some((p) => p.id === mark.id)
  const answer = await editor.ask('piece', {
    kind,
    chosen: editor.selected,
    brand: brands.list[0]?.colours,
    logo: mark?.id,
    with: mark,
    side: pieces.some((p) => p.id === kind && p.opens) ? side.value : '',
    frame: editor.frame
  })
  const add: Command = { type: 'addLayers', layers: answer.layers, id }
  return lacks ? [{ type: 'addProp', prop: mark }, add] : [add]
}

const { point, rest, leave, play } = useResting<string>(async (kind, wanted) => {
  const [command] = await made(kind, 'piece-seen', false)
  const rate = editor.clip?.rate ?? 30
  const to = Math.min(editor.frame + Math.round(2.6 * rate), editor.view.length - 1)
  if (wanted()) await play(command, editor.frame, to)
})

async function take(kind: string) {
  leave()
  try {
    const id = `${kind}-${Date.now() % 100000}`
    const commands = await made(kind, id, true)
    await editor.run(commands.length > 1 ? { type: 'batch', commands } : commands[0], id)
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
  <div class="sides" role="group" aria-label="From where buttons, bands and cards open">
    <span>Buttons, bands and cards open</span>
    <IconButton
      v-for="s in pieceSides"
      :key="s.id"
      :icon="arrows[s.id]"
      :label="s.name"
      :pressed="side === s.id"
      @click="side = s.id"
    />
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

.sides {
  display: flex;
  align-items: center;
  gap: 0.1rem;
  margin-top: 0.35rem;
  font-size: 0.76rem;
  color: var(--harbour-soft);
}

.sides span {
  margin-right: 0.4rem;
}

.piece i {
  font-size: 1.05rem;
  line-height: 1.1;
}
</style>
