<script setup lang="ts">
import { ref, watch } from 'vue'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'
import type { Command, Layer } from '../types'

// What is proposed for a picture: to suit what is behind it, or to be less dull. What was done is said.
const props = defineProps<{ layer: Layer }>()
const editor = useEditor()
const done = ref<string[]>([])
const busy = ref(false)

async function propose(what: 'suit' | 'improve') {
  busy.value = true
  try {
    const { shape, frame } = editor
    const layer = props.layer.id
    const proposal = await editor.drawing().engines[0].call(what, { shape, frame, layer })
    const commands = Object.entries(proposal.values).map(([property, value]): Command => ({
      type: 'setValue',
      layer,
      property,
      frame,
      value
    }))
    if (commands.length && !(await editor.runAll(commands))) return
    done.value = proposal.says.length ? proposal.says : ['It suits what is behind it already']
  } catch (e) {
    useNotices().fail(e)
  } finally {
    busy.value = false
  }
}
watch(
  () => props.layer.id,
  () => (done.value = [])
)
</script>

<template>
  <section class="advice" aria-label="Proposals">
    <div class="two">
      <button v-if="layer.kind === 'cutout'" class="btn btn-light btn-sm" :disabled="busy" @click="propose('suit')">
        <i class="bi bi-lamp" aria-hidden="true" /> Match the backdrop
      </button>
      <button class="btn btn-light btn-sm" :disabled="busy" @click="propose('improve')">
        <i class="bi bi-stars" aria-hidden="true" /> Improve the photo
      </button>
    </div>
    <div role="status">
      <ul v-if="done.length">
        <li v-for="d in done" :key="d">{{ d }}</li>
      </ul>
    </div>
  </section>
</template>

<style scoped>
.advice {
  margin-bottom: 0.8rem;
}

.two {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem;
}

ul {
  margin: 0.45rem 0 0;
  padding-left: 1.1rem;
  font-size: 0.82rem;
  color: var(--harbour-soft);
}
</style>
