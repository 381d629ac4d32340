<script setup lang="ts">
import { computed } from 'vue'
import { useMarks } from '../composables/useMarks'
import { useEditor } from '../stores/editor'
import IconButton from './IconButton.vue'
import TextField from './TextField.vue'

// The loop, and the clip's scenes and markers with their names.
const editor = useEditor()
const marks = useMarks()

const lists = computed(() => [
  {
    kind: 'scenes' as const,
    title: 'Scene',
    places: editor.view.scenes.map((s) => ({ name: s.name, frame: s.from, when: '' }))
  },
  { kind: 'markers' as const, title: 'Marker', places: editor.view.markers }
])

function rename(kind: 'scenes' | 'markers', i: number, name: string) {
  const list = editor.clip?.[kind] ?? []
  editor.run({ type: 'setMarks', [kind]: list.map((m, k) => (k === i ? { ...m, name } : m)) })
}

function remove(kind: 'scenes' | 'markers', i: number) {
  editor.run({ type: 'setMarks', [kind]: (editor.clip?.[kind] ?? []).filter((_, k) => k !== i) })
}
</script>

<template>
  <div>
    <h2>Loop and marks</h2>
    <div class="acts">
      <button class="plain" title="The last frame meets the first" @click="marks.closeLoop()">
        <i class="bi bi-infinity" aria-hidden="true" /> Close the loop
      </button>
      <button class="plain" title="M" @click="marks.marker()">
        <i class="bi bi-flag" aria-hidden="true" /> Marker here
      </button>
      <button class="plain" @click="marks.scene()">
        <i class="bi bi-bookmark" aria-hidden="true" /> Scene from here
      </button>
      <button class="plain" title="I and O set its ends" :disabled="!editor.view.range" @click="marks.whole()">
        <i class="bi bi-arrows-expand-vertical" aria-hidden="true" /> Loop it all
      </button>
    </div>
    <template v-for="l in lists" :key="l.kind">
      <div v-for="(p, i) in l.places" :key="`${l.kind}${p.frame}`" class="named">
        <TextField
          needed
          :value="p.name"
          :label="`Name of ${l.title.toLowerCase()} ${i + 1}`"
          @change="rename(l.kind, i, $event.trim())"
        />
        <IconButton icon="geo" :label="`Go to ${p.name}`" title="Go there" @click="editor.go(p.frame)" />
        <IconButton icon="x-lg" :label="`Delete ${p.name}`" @click="remove(l.kind, i)" />
      </div>
    </template>
  </div>
</template>

<style scoped>
.acts {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.25rem;
}

.acts button {
  border: 1px solid var(--line);
  font-size: 0.78rem;
  text-align: left;
}

.named {
  display: grid;
  grid-template-columns: 1fr 26px 26px;
  gap: 0.2rem;
  margin-top: 0.25rem;
}

input {
  font-size: 0.8rem;
  padding: 0.1rem 0.4rem;
  min-height: 0;
}
</style>
