<script setup lang="ts">
import { ref, shallowRef, watch } from 'vue'
import TimeField from '../parts/TimeField.vue'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'
import type { Excerpt } from '../types'
import { listed, timecode } from '../words'
import type { Cut } from './useCut'
import type { Tune } from './useTune'
import type { TunePlayer } from './useTunePlayer'

// Parts of the tune that make a good clip of a length: they begin and end with bars, and lead
// into what is full.
const props = defineProps<{ of: Tune; player: TunePlayer; cut: Cut }>()
const editor = useEditor()
const frames = ref(editor.view.length)
const found = shallowRef<Excerpt[]>([])

watch(
  [frames, () => props.of.tune.value],
  async () => {
    found.value = props.of.tune.value ? await editor.ask('excerpts', frames.value).catch(() => []) : []
  },
  { immediate: true }
)
watch(
  () => editor.view.length,
  (n) => (frames.value = n)
)

async function length(text: string) {
  try {
    frames.value = Math.max(1, await editor.ask('time', text))
  } catch (e) {
    useNotices().fail(e)
  }
}

const bars = (n: number) => (n === 1 ? '1 bar' : `${n} bars`)
const does: Record<string, string> = { quiet: 'quiet', build: 'builds up', full: 'full', break: 'breaks' }
const says = (e: Excerpt) => listed(e.holds.map((h) => `${does[h.kind]} for ${bars(h.bars)}`))
</script>

<template>
  <section aria-label="The best parts">
    <h2 class="best">
      The best
      <TimeField
        wide="4.2rem"
        label="Length of the part"
        :value="timecode(frames, editor.clip?.rate ?? 30)"
        :read="(text) => editor.ask('readLength', text)"
        @change="length"
      />
    </h2>
    <p v-if="!found.length" class="hint">
      {{ of.tune.value?.steady ? 'The tune is too short for it.' : 'Without bars there is nothing to cut by.' }}
    </p>
    <ul class="list-unstyled">
      <li v-for="(e, n) in found" :key="n" :data-excerpt="n">
        <strong>{{
          e.parts.length > 1 ? `All of it, repeated: ${bars(e.bars)}` : `${bars(e.bars)} from bar ${e.bar}`
        }}</strong>
        <p class="hint">
          {{ says(e) || 'No sections were heard in it'
          }}{{ e.tail ? `; then dies away for ${e.tail.toFixed(1)} s` : '' }}
        </p>
        <button class="plain" @click="player.hear(e.parts[0])">
          <i class="bi bi-play" aria-hidden="true" /> Hear it
        </button>
        <button class="plain" @click="cut.propose(e.parts, e.tail)">
          <i class="bi bi-scissors" aria-hidden="true" /> Cut the tune to it
        </button>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.best {
  display: flex;
  gap: 0.4rem;
  align-items: baseline;
}

li {
  padding: 0.25rem 0;
  border-top: 1px solid var(--line);
  font-size: 0.82rem;
}

.hint {
  margin: 0;
  color: var(--harbour-soft);
  font-size: 0.78rem;
}
</style>
