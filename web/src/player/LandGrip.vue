<script setup lang="ts">
import { onClickOutside } from '@vueuse/core'
import { computed, ref, shallowRef } from 'vue'
import { onBeatline } from '../beatline/beatline'
import { useSnap, type Snapped } from '../beatline/useSnap'
import { drag } from '../parts/useDrag'
import { useEditor } from '../stores/editor'
import { timecode } from '../words'
import type { Command } from '../types'

// The frame in sight is dragged onto a hit or a beat of the Beatline: what is chosen, or the open scene, goes
// faster or slower so that it lands there. A press offers what is near, for those without a pointer.
const editor = useEditor()
const { snap, clear } = useSnap()
const open = ref(false)
const box = ref<HTMLElement | null>(null)
const held = shallowRef<{ x: number; y: number; to: string } | null>(null)
onClickOutside(box, () => (open.value = false))

const layers = computed(() => (editor.chosen.length ? editor.chosen : [editor.scene]))
const what = computed(() => {
  const names = layers.value.map((id) => editor.layers.get(id)?.name ?? '')
  return names.length > 1 ? `${names.length} layers` : `“${names[0]}”`
})
const rate = computed(() => editor.clip?.rate ?? 30)

const landing = (frame: number, at: { frame: number; beat?: number }): Command => ({
  type: 'landOn',
  layers: layers.value,
  frame,
  on: at.beat !== undefined ? { beat: at.beat } : at.frame
})

function press(e: PointerEvent) {
  if (e.button !== 0) return
  const frame = editor.frame
  let to: Snapped | null = null
  let shown = frame
  drag(
    e,
    (m) => {
      const line = onBeatline.value
      const r = line?.box()
      to = null
      if (line && r && m.clientY >= r.top && m.clientX >= r.left) {
        const raw = Math.max(0, Math.min(editor.view.length - 1, line.frameAt(m.clientX)))
        const near = snap(raw, 9 / line.scale(), () => true, m.ctrlKey || m.metaKey, false)
        const at = Math.round(raw)
        to = near ?? { frame: at, to: timecode(at, rate.value) }
      } else clear()
      held.value = { x: m.clientX, y: m.clientY, to: to?.to ?? '' }
      const now = to?.frame ?? frame
      if (now === shown) return
      shown = now
      if (to && now !== frame) editor.show(landing(frame, to))
      else editor.revert()
      editor.go(now)
    },
    async (moved) => {
      clear()
      held.value = null
      if (!moved) return
      if (to && to.frame !== frame && (await editor.run(landing(frame, to)))) return
      editor.revert()
      editor.go(frame)
    }
  )
}

// What is near before and after the playhead: hits, and the beginnings of bars.
const near = computed(() => {
  const f = editor.frame
  const hits = editor.view.hits.map((h) => ({ frame: h.frame, name: 'a hit' }))
  const bars = editor.view.beats
    .filter((b) => b.down)
    .map((b) => ({ frame: b.frame, beat: b.beat, name: `bar ${b.bar}` }))
  const all = [hits, bars].flatMap((list) => [
    list.filter((x) => x.frame < f && x.frame > 0).at(-1),
    list.find((x) => x.frame > f)
  ])
  return all.filter((x) => !!x).sort((a, b) => a.frame - b.frame)
})

async function land(at: { frame: number; beat?: number }) {
  open.value = false
  if (await editor.run(landing(editor.frame, at))) editor.go(at.frame)
}
</script>

<template>
  <span ref="box" class="land" @keydown.esc="open = false">
    <button
      class="plain"
      :class="{ held }"
      aria-label="Let this frame land elsewhere"
      :aria-expanded="open"
      title="Drag this frame onto a hit or a beat: what is chosen goes faster or slower to land there"
      @pointerdown="press"
      @click="open = !open"
    >
      <i class="bi bi-box-arrow-in-down-right" aria-hidden="true" />
    </button>
    <div v-if="open" class="offer" data-offer role="dialog" aria-label="Let this frame land elsewhere">
      <p>{{ what }} goes faster or slower, so that what is seen now lands on</p>
      <button v-for="n in near" :key="n.frame + n.name" class="plain" @click="land(n)">
        {{ n.name }}, {{ timecode(n.frame, rate) }}
      </button>
      <p class="hint">Or drag the arrow onto the Beatline.</p>
    </div>
    <Teleport v-if="held" to="body">
      <span class="flying" :style="{ left: `${held.x + 14}px`, top: `${held.y - 34}px` }">
        {{ held.to ? `${what} lands on ${held.to}` : 'Onto the Beatline' }}
      </span>
    </Teleport>
  </span>
</template>

<style scoped>
.land > button {
  min-width: 26px;
  min-height: 26px;
  cursor: grab;
  touch-action: none;
}

.land > button.held {
  cursor: grabbing;
  color: var(--buoy-deep);
}

.offer {
  position: fixed;
  z-index: 20;
  bottom: 44px;
  width: 15rem;
  padding: 0.6rem 0.7rem;
  border-radius: 6px;
  background: var(--chalk);
  border: 1px solid var(--line);
  box-shadow: var(--shade);
  font-size: 0.82rem;
  white-space: normal;
}

.offer p {
  margin: 0 0 0.3rem;
}

.offer .plain {
  display: block;
  width: 100%;
  min-height: 26px;
  text-align: left;
}

.offer .hint {
  margin: 0.3rem 0 0;
}

.flying {
  position: fixed;
  z-index: 60;
  padding: 0.15rem 0.5rem;
  border-radius: 4px;
  background: var(--harbour);
  color: var(--chalk);
  font-size: 0.78rem;
  pointer-events: none;
  white-space: nowrap;
}
</style>
