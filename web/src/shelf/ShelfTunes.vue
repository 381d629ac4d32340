<script setup lang="ts">
import { computed } from 'vue'
import type { Shelved } from '../api'
import { useEditor } from '../stores/editor'
import PropMore from './PropMore.vue'
import RecordVoice from './RecordVoice.vue'
import { useSounds } from '../settings/useSounds'
import { usePropIntake } from './usePropIntake'

defineProps<{ items: Shelved[] }>()
const emit = defineEmits<{ remove: [item: Shelved] }>()
const editor = useEditor()
const intake = usePropIntake()
const sounds = useSounds()
const tuneHash = computed(() => editor.clip?.props.find((p) => p.id === editor.tune?.prop)?.hash)
</script>

<template>
  <RecordVoice />
  <ul class="list-unstyled">
    <li v-for="{ prop: p, ...s } in items" :key="p.hash" class="tune">
      <button
        class="plain lay"
        :class="{ on: p.hash === tuneHash }"
        :title="`Lay ${p.name} under the clip`"
        @click="intake.use(p)"
      >
        <i class="bi bi-music-note-beamed" aria-hidden="true" />
        <span>{{ p.name }}</span>
        <small
          >{{ p.sound?.steady ? `${p.sound.tempo.bpm.toFixed(0)} BPM` : 'no beat' }} ·
          {{ p.sound?.seconds.toFixed(0) }} s</small
        >
      </button>
      <button
        class="plain"
        :aria-label="`Let ${p.name} sound at the playhead`"
        title="Beside the tune, from the playhead on"
        @click="sounds.lay(p)"
      >
        <i class="bi bi-soundwave" aria-hidden="true" />
      </button>
      <PropMore :item="{ prop: p, ...s }" @remove="emit('remove', { prop: p, ...s })" />
    </li>
  </ul>
</template>

<style scoped>
.tune {
  display: flex;
  align-items: center;
}

.lay {
  display: flex;
  flex: 1;
  gap: 0.45rem;
  align-items: baseline;
  text-align: left;
}

.lay span {
  flex: 1;
}

small {
  white-space: nowrap;
}
</style>
