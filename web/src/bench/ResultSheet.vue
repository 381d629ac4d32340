<script setup lang="ts">
import { watchDebounced } from '@vueuse/core'
import { onMounted, ref, watch } from 'vue'
import type { Cutter } from './useCutter'
import type { Lens } from './useLens'

// What was cut out, first as it was worked out, and then what of it is seen in the photo's
// own pixels.
const props = defineProps<{ cutter: Cutter; lens: Lens }>()
const draft = ref<HTMLCanvasElement | null>(null)
const detail = ref<HTMLCanvasElement | null>(null)
const fine = ref<{ x: number; y: number; w: number; h: number } | null>(null) // where the detail lies
const most = 3_000_000 // pixels of a detail

function show(canvas: HTMLCanvasElement | null, data: ImageData | null) {
  if (!canvas || !data) return
  canvas.width = data.width
  canvas.height = data.height
  canvas.getContext('2d')?.putImageData(data, 0, 0)
}

function showDraft() {
  fine.value = null
  show(draft.value, props.cutter.draft.value)
}
onMounted(showDraft)
watch(() => props.cutter.version.value, showDraft)

let round = 0
async function refine() {
  const size = props.cutter.size.value
  const seen = props.lens.seen.value
  const dense = size && props.lens.scale.value * window.devicePixelRatio > (size.smallW / size.w) * 1.3
  if (!dense || seen.w < 1 || seen.h < 1 || seen.w * seen.h > most || !props.cutter.draft.value)
    return void (fine.value = null)
  const mine = ++round
  const data = await props.cutter.part(seen.x, seen.y, seen.w, seen.h).catch(() => null)
  if (!data || mine !== round) return
  show(detail.value, data)
  fine.value = seen
}
watchDebounced([() => props.cutter.version.value, props.lens.seen], refine, { debounce: 120, immediate: true })

const lies = (f: { x: number; y: number; w: number; h: number } | null) =>
  f ? { inset: 'auto', left: `${f.x}px`, top: `${f.y}px`, width: `${f.w}px`, height: `${f.h}px` } : { display: 'none' }
// Where the detail lies, the draft is not seen beneath it.
const without = (f: typeof fine.value) => {
  const size = props.cutter.size.value
  if (!f || !size) return {}
  const [x0, y0, x1, y1] = [f.x, f.y, f.x + f.w, f.y + f.h].map((v) => `${v}px`)
  return {
    clipPath: `polygon(evenodd, 0 0, 100% 0, 100% 100%, 0 100%, 0 0, ${x0} ${y0}, ${x1} ${y0}, ${x1} ${y1}, ${x0} ${y1}, ${x0} ${y0})`
  }
}
</script>

<template>
  <div class="layers" :data-cuts="cutter.version.value" :data-frame="cutter.cutOf.value">
    <canvas ref="draft" :style="without(fine)" />
    <canvas ref="detail" :style="lies(fine)" />
  </div>
</template>

<style scoped>
canvas {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
}
</style>
