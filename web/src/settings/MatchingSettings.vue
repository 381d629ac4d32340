<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import { put } from '../engine/painters'
import { useBrands } from '../stores/brands'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'
import type { Command, Matched, Palette } from '../types'
import { standardShapes } from '../words'

// Colours that go with a cut-out, or with the largest one at the playhead, each shown on
// the clip itself. One press gives them to all that share their roles.
const props = defineProps<{ layer?: string }>()
const editor = useEditor()
const open = ref(false)
const found = ref<Matched | null>(null)
const here = ref<'scene' | 'clip'>('clip')
const canvases = ref<HTMLCanvasElement[]>([])
const wide = 80 // pixels of the page, about

const brands = useBrands()
brands.load()
const offered = computed(() => [...(found.value?.proposals ?? []), ...brands.palettes])

const nameOf = (id: string) => editor.layers.get(id)?.name ?? ''
const command = (palette: Palette): Command => ({
  type: 'setPalette',
  palette,
  ...(here.value === 'scene' ? { scene: editor.scene } : {})
})

// The painter of the proofs works it out, so that the picture need not wait.
let asked = 0
async function look() {
  const mine = ++asked
  const painter = editor.drawing().engines.at(-1)
  if (!painter) return
  const { shape, frame } = editor
  try {
    const matched = await painter.call('matching', { layer: props.layer, shape, frame })
    if (mine !== asked) return
    found.value = matched
    await nextTick()
    const s = editor.clip?.shapes.find((x) => x.id === shape) ?? standardShapes[0]
    const ratio = Math.min(2, window.devicePixelRatio || 1)
    const w = Math.round(wide * ratio)
    const h = Math.round((w * s.h) / s.w)
    for (const [i, p] of offered.value.entries()) {
      const pixels = await painter.call('trial', { shape, frame, w, h, command: command(p) })
      if (mine !== asked) return
      if (canvases.value[i]) put(canvases.value[i], { w, h, pixels })
    }
  } catch (e) {
    useNotices().fail(e)
  }
}
watch([open, () => props.layer, () => editor.version, () => editor.shape, here], () => open.value && look())
</script>

<template>
  <details class="matching" @toggle="open = ($event.target as HTMLDetailsElement).open">
    <summary>Colours that go with it <small>from the product itself</small></summary>
    <template v-if="found">
      <p v-if="!found.layer" class="says">There is no cut-out yet to take colours from.</p>
      <p v-else class="of">
        <span class="dots" role="img" :aria-label="`Main colours: ${found.colours.map((c) => c.colour).join(', ')}`">
          <span
            v-for="c in found.colours"
            :key="c.colour"
            :style="{ background: c.colour, flexGrow: Math.max(1, Math.round(c.share * 20)) }"
            :title="`${c.colour}, ${Math.round(c.share * 100)}%`"
          />
        </span>
        of {{ nameOf(found.layer) }}
      </p>
      <div class="proposals">
        <button
          v-for="p in offered"
          :key="p.id"
          class="plain"
          :title="`Give these colours to backdrops, words, badges and figures`"
          @click="editor.run(command(p))"
        >
          <canvas ref="canvases" aria-hidden="true" />
          {{ p.name }}
        </button>
      </div>
      <div v-if="editor.view.scenes.length > 1" class="where">
        <label><input v-model="here" type="radio" value="clip" /> All scenes</label>
        <label><input v-model="here" type="radio" value="scene" /> This scene</label>
      </div>
    </template>
  </details>
</template>

<style scoped>
.matching {
  margin: 0.5rem 0;
}

.of {
  display: flex;
  align-items: center;
  gap: 0.5rem;
  margin: 0.3rem 0;
  font-size: 0.82rem;
}

.dots {
  display: flex;
  width: 9rem;
  height: 1.1rem;
  border-radius: 6px;
  overflow: hidden;
}

.proposals {
  display: grid;
  grid-template-columns: repeat(4, 1fr);
  gap: 0.4rem;
}

.proposals button {
  display: grid;
  gap: 0.15rem;
  justify-items: center;
  padding: 0;
  font-size: 0.78rem;
}

.proposals canvas {
  width: 100%;
  border-radius: 6px;
  background: #828282;
}

.where {
  display: flex;
  gap: 0.8rem;
  margin-top: 0.3rem;
  font-size: 0.82rem;
}
</style>
