<script setup lang="ts">
import { computed } from 'vue'
import { api } from '../api'
import { useNotices } from '../stores/notices'
import type { VariantExport } from '../types'

// How far the last exports of variants have come.
const props = defineProps<{ exports: VariantExport[] }>()
const notices = useNotices()
const last = computed(() => props.exports.slice(0, 2))
const unfinished = (e: VariantExport) => e.done + e.failed + e.cancelled < e.total
const time = (e: VariantExport) => new Date(e.created).toLocaleTimeString('en', { hour: '2-digit', minute: '2-digit' })
</script>

<template>
  <footer v-if="last.length" class="exports">
    <div v-for="e in last" :key="e.id" class="export" :data-export="e.id" :data-done="e.done">
      <strong>{{ time(e) }}</strong>
      <small v-if="e.quick">quick look</small>
      <progress v-if="unfinished(e)" :value="e.frames" max="1" aria-label="Progress of the export" />
      <span>{{ e.done }} of {{ e.total }} done</span>
      <span v-if="e.failed" class="wrong">{{ e.failed }} failed: {{ e.problem }}</span>
      <button v-if="unfinished(e)" type="button" class="plain" @click="api.cancel(e.id).catch(notices.fail)">
        Cancel
      </button>
      <a v-if="e.done" :href="`/api/exports/${e.id}`" download
        >Download {{ e.done === e.total ? 'all' : 'what is done' }} as zip</a
      >
    </div>
  </footer>
</template>

<style scoped>
.exports {
  display: flex;
  gap: 1.6rem;
  flex-wrap: wrap;
  font-size: 0.85rem;
}

.export {
  display: flex;
  align-items: center;
  gap: 0.6rem;
}

progress {
  accent-color: var(--kelp);
}

.wrong {
  color: #9c2f10;
}
</style>
