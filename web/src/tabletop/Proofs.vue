<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import { useEditor } from '../stores/editor'
import Proof from './Proof.vue'

defineProps<{ playing: boolean; across?: boolean }>()
const editor = useEditor()
const others = computed(() => editor.clip?.shapes.filter((s) => s.id !== editor.shape) ?? [])

// Each is as large as all of them fit.
const list = ref<HTMLElement | null>(null)
const room = useElementSize(list)
const most = computed(() => ({
  w: Math.max(60, room.width.value - 8),
  h: Math.max(48, room.height.value / Math.max(1, others.value.length) - 30)
}))
</script>

<template>
  <aside class="proofs" :class="{ across }" aria-label="Proofs">
    <h2>Proofs</h2>
    <div ref="list" class="list">
      <Proof v-for="s in others" :key="s.id" :shape="s" :playing="playing" :most="across ? { w: 120, h: 120 } : most" />
    </div>
  </aside>
</template>

<style scoped>
.proofs {
  grid-area: proofs;
  background: #828282;
  padding: 0.4rem 0.4rem 0.3rem;
  display: flex;
  flex-direction: column;
  gap: 0.3rem;
  min-height: 0;
}

.list {
  flex: 1;
  min-height: 0;
  display: flex;
  flex-direction: column;
  justify-content: flex-start;
  gap: 4px;
  overflow: hidden auto;
}

.across .list {
  flex-flow: row wrap;
}

h2 {
  font-size: 0.8rem;
  color: #fff;
  margin: 0;
  text-shadow: 0 1px 2px rgba(0, 0, 0, 0.55);
}
</style>
