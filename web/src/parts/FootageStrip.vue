<script setup lang="ts">
import { computed, ref } from 'vue'

// A picture of footage, which goes through its time as the pointer goes across it.
const props = defineProps<{ hash: string; w: number; h: number }>()
const frames = 12 // of a strip
const box = { w: 96, h: 60 }
const at = ref(5)

const k = computed(() => Math.min(box.w / props.w, box.h / props.h))
const style = computed(() => ({
  width: `${props.w * k.value}px`,
  height: `${props.h * k.value}px`,
  backgroundImage: `url(/api/files/${props.hash}/strip)`,
  backgroundSize: `${frames * 100}% 100%`,
  backgroundPosition: `${(at.value / (frames - 1)) * 100}% 0`
}))

function seek(e: PointerEvent) {
  const r = (e.currentTarget as HTMLElement).getBoundingClientRect()
  at.value = Math.min(frames - 1, Math.max(0, Math.floor(((e.clientX - r.left) / r.width) * frames)))
}
</script>

<template>
  <span class="strip" :style="style" @pointermove="seek" @pointerleave="at = 5" />
</template>

<style scoped>
.strip {
  display: block;
  border-radius: 4px;
  background-color: #20343a;
}
</style>
