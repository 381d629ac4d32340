<script setup lang="ts">
import { computed } from 'vue'
import { useEditor } from '../stores/editor'
import Proof from './Proof.vue'

defineProps<{ playing: boolean }>()
const editor = useEditor()
const others = computed(() => editor.clip?.shapes.filter((s) => s.id !== editor.shape) ?? [])
</script>

<template>
  <aside class="proofs" aria-label="Proofs">
    <h2>Proofs</h2>
    <Proof v-for="s in others" :key="s.id" :shape="s" :playing="playing" />
  </aside>
</template>

<style scoped>
.proofs {
  grid-area: proofs;
  background: #828282;
  border-left: 1px solid rgba(255, 255, 255, 0.28);
  padding: 0.5rem 0.6rem;
  display: flex;
  flex-direction: column;
  gap: 0.5rem;
  overflow: hidden auto;
}

h2 {
  font-size: 0.8rem;
  color: #fff;
  margin: 0;
  text-shadow: 0 1px 2px rgba(0, 0, 0, 0.55);
}
</style>
