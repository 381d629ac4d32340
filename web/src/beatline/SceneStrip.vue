<script setup lang="ts">
import { computed, ref } from 'vue'
import { leftRoom } from './beatline'
import { drag } from '../parts/useDrag'
import { useScenes } from './useScenes'
import { useSnap } from './useSnap'
import { useEditor } from '../stores/editor'
import type { Command, ViewScene } from '../types'

// The clip's scenes, one after the other. A press opens one, a drag lets it play
// elsewhere, its ends are trimmed.
const props = defineProps<{ scale: number; width: number }>()
const emit = defineEmits<{ hold: [on: boolean] }>()
const editor = useEditor()
const scenes = useScenes()
const { snap, clear } = useSnap()
const dragged = ref('')
const shift = ref(0)
const to = ref(-1) // where the dragged one would go

const x = (frame: number) => leftRoom + frame * props.scale

// place is before how many of the others a dragged scene's middle lies.
function place(scene: ViewScene, dx: number) {
  const middle = (scene.from + scene.to) / 2 + dx / props.scale
  return editor.view.scenes.filter((s) => s.id !== scene.id && (s.from + s.to) / 2 < middle).length
}

// mark is where the gap would be.
const mark = computed(() => {
  const others = editor.view.scenes.filter((s) => s.id !== dragged.value)
  if (!dragged.value || to.value < 0) return -1
  return x(to.value < others.length ? others[to.value].from : editor.view.length)
})

function press(e: PointerEvent, scene: ViewScene) {
  if (e.button !== 0) return
  drag(
    e,
    (_, dx) => {
      if (editor.view.scenes.length < 2) return
      dragged.value = scene.id
      shift.value = dx
      to.value = place(scene, dx)
    },
    (moved) => {
      const was = editor.view.scenes.findIndex((s) => s.id === scene.id)
      if (moved && to.value >= 0 && to.value !== was)
        editor.run({ type: 'moveScene', scene: scene.id, to: to.value }).then(() => {
          const now = editor.view.scenes.find((s) => s.id === scene.id)
          if (now) scenes.open(now)
        })
      else if (!moved) scenes.open(scene)
      dragged.value = ''
      shift.value = 0
      to.value = -1
    }
  )
}

// trim drags one end; it catches on beats, to which the scene is bound then.
function trim(e: PointerEvent, scene: ViewScene, part: 'from' | 'to') {
  const edge = scene[part]
  const own = (layer: string) => editor.view.rows.find((r) => r.layer === layer)?.scene === scene.id
  let command: Command | null = null
  emit('hold', true)
  drag(
    e,
    (m, dx) => {
      const frame = Math.round(edge + dx / props.scale)
      const caught = snap(frame, 8 / props.scale, own, m.altKey)
      const at = caught?.beat !== undefined ? { beat: caught.beat } : (caught?.frame ?? frame)
      command = { type: 'trimScene', scene: scene.id, [part]: at }
      editor.show(command)
    },
    (moved) => {
      clear()
      emit('hold', false)
      if (moved && command) editor.run(command)
      else editor.revert()
    }
  )
}

function key(e: KeyboardEvent, scene: ViewScene, i: number) {
  if (!e.altKey || (e.key !== 'ArrowLeft' && e.key !== 'ArrowRight')) return
  e.preventDefault()
  editor.run({ type: 'moveScene', scene: scene.id, to: Math.max(0, i + (e.key === 'ArrowLeft' ? -1 : 1)) })
}
</script>

<template>
  <div class="strip" :style="{ width: `${width}px` }" role="group" aria-label="Scenes" @pointerdown.stop>
    <div
      v-for="(s, i) in editor.view.scenes"
      :key="s.id"
      class="scene"
      :class="{ open: s.id === editor.scene, dragged: s.id === dragged, away: s.hidden }"
      :style="{
        left: `${x(s.from)}px`,
        width: `${Math.max(4, (s.to - s.from) * scale - 2)}px`,
        transform: s.id === dragged ? `translateX(${shift}px)` : ''
      }"
    >
      <button
        class="plain name"
        :title="`${s.name}, ${s.text}: a press opens it, a drag lets it play elsewhere`"
        :aria-label="`Scene ${s.name}, ${s.text}`"
        :aria-pressed="s.id === editor.scene"
        :data-scene="s.id"
        @pointerdown="press($event, s)"
        @click.prevent="$event.detail === 0 && scenes.open(s)"
        @keydown="key($event, s, i)"
      >
        <b>{{ s.name }}</b> <span>{{ s.text }}</span>
      </button>
      <i
        class="end left"
        title="Cut off its beginning"
        :data-trim="`from ${s.id}`"
        @pointerdown="trim($event, s, 'from')"
      />
      <i
        class="end right"
        title="Make it longer or shorter"
        :data-trim="`to ${s.id}`"
        @pointerdown="trim($event, s, 'to')"
      />
    </div>
    <span v-if="mark >= 0" class="mark" :style="{ left: `${mark - 2}px` }" />
  </div>
</template>

<style scoped>
.strip {
  position: relative;
  height: 22px;
  cursor: default;
}

.scene {
  position: absolute;
  top: 1px;
  height: 19px;
  border-radius: 6px;
  background: rgba(23, 63, 71, 0.1);
  border: 1px solid transparent;
  overflow: hidden;
}

.open {
  background: var(--chalk);
  border-color: var(--harbour);
}

.dragged {
  z-index: 3;
  opacity: 0.85;
  background: var(--chalk);
  border-color: var(--kelp);
}

.away {
  opacity: 0.5;
}

.name {
  display: flex;
  gap: 0.4rem;
  align-items: baseline;
  width: 100%;
  height: 100%;
  padding: 0 9px;
  font-size: 0.72rem;
  line-height: 17px;
  white-space: nowrap;
  text-align: left;
  cursor: grab;
  overflow: hidden;
  touch-action: none;
}

.name b {
  font-weight: 600;
  overflow: hidden;
  text-overflow: ellipsis;
}

.name span {
  color: var(--harbour-soft);
  flex: none;
}

.end {
  position: absolute;
  top: 0;
  bottom: 0;
  width: 7px;
  cursor: ew-resize;
  touch-action: none;
}

.left {
  left: 0;
}

.right {
  right: 0;
}

.scene:hover .end,
.open .end {
  background: linear-gradient(
    90deg,
    transparent 2px,
    var(--harbour) 2px 3px,
    transparent 3px 4px,
    var(--harbour) 4px 5px,
    transparent 5px
  );
  opacity: 0.45;
}

.mark {
  position: absolute;
  top: 0;
  bottom: 0;
  width: 4px;
  border-radius: 2px;
  background: var(--kelp);
  z-index: 4;
}
</style>
