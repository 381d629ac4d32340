<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { api } from '../api'
import { Painters, put } from '../engine/painters'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'
import type { Clip } from '../types'
import { timecode } from '../words'

// How the clip was at a revision, beside how it is now, on any frame.
const props = defineProps<{ revision: number }>()
const emit = defineEmits<{ restore: [] }>()
const editor = useEditor()
const notices = useNotices()
const then = ref<HTMLCanvasElement | null>(null)
const now = ref<HTMLCanvasElement | null>(null)
const old = ref<Clip | null>(null)
const frame = ref(editor.frame)
const painters = new Painters(1, { crashed: () => undefined, font: () => draw() })

const oldLength = ref(1)
const last = computed(() => Math.max(oldLength.value, editor.view.length) - 1)
const shape = computed(() => editor.shapeNow ?? { id: '', w: 1, h: 1 })
const size = computed(() => {
  const k = Math.min(296 / shape.value.w, 480 / shape.value.h)
  return { w: Math.round(shape.value.w * k), h: Math.round(shape.value.h * k) }
})

let busy = false
let again = false
async function draw() {
  again = busy
  if (busy) return
  busy = true
  do {
    again = false
    const { w, h } = { w: size.value.w * 2, h: size.value.h * 2 }
    const at = (length: number) => Math.min(frame.value, length - 1)
    const was = old.value?.shapes.find((s) => s.id === shape.value.id) ?? old.value?.shapes[0]
    const [a, b] = await Promise.all([
      was ? painters.draw(0, was.id, w, h, at(oldLength.value)).catch(() => null) : null,
      editor
        .drawing()
        .draw(0, shape.value.id, w, h, at(editor.view.length))
        .catch(() => null)
    ])
    if (a && then.value) put(then.value, a)
    if (b && now.value) put(now.value, b)
  } while (again)
  busy = false
}

onMounted(async () => {
  draw()
  try {
    const got = await api.revision(editor.id, props.revision)
    await painters.show({ clip: got.clip, needs: got.needs }, () => undefined)
    const looking = { shape: got.clip.shapes[0].id, frame: 0, open: [], layer: '', layers: [] }
    oldLength.value = (await painters.engines[0].call('view', looking)).length
    old.value = got.clip
    await draw()
  } catch (e) {
    notices.fail(e)
  }
})
watch(frame, draw)
onBeforeUnmount(() => painters.stop())
</script>

<template>
  <section class="compare" aria-label="Then and now">
    <div class="pictures">
      <figure>
        <canvas ref="then" :style="{ width: `${size.w}px`, height: `${size.h}px` }" />
        <figcaption>Then</figcaption>
      </figure>
      <figure>
        <canvas ref="now" :style="{ width: `${size.w}px`, height: `${size.h}px` }" />
        <figcaption>Now</figcaption>
      </figure>
    </div>
    <label>
      <input v-model.number="frame" type="range" min="0" :max="last" aria-label="Frame that is compared" />
      {{ timecode(frame, editor.clip?.rate ?? 30) }}
    </label>
    <BButton variant="outline-primary" size="sm" @click="emit('restore')">Go back to then</BButton>
  </section>
</template>

<style scoped>
.compare {
  position: sticky;
  top: 0;
  align-self: start;
  display: grid;
  gap: 0.7rem;
  justify-items: center;
}

.pictures {
  display: flex;
  gap: 0.8rem;
}

figure {
  margin: 0;
  text-align: center;
}

canvas {
  background: #828282;
  box-shadow: 0 2px 8px rgba(0, 0, 0, 0.25);
}

label {
  display: flex;
  gap: 0.7rem;
  width: 100%;
  align-items: center;
}

label input {
  flex: 1;
  accent-color: var(--harbour);
}
</style>
