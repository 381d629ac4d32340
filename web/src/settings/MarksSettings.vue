<script setup lang="ts">
import { computed } from 'vue'
import { useMarks } from '../beatline/useMarks'
import { useScenes } from '../beatline/useScenes'
import { named } from '../parts/fields'
import { useEditor } from '../stores/editor'
import IconButton from '../parts/IconButton.vue'
import TextField from '../parts/TextField.vue'

// The loop, and the clip's markers with their names.
const editor = useEditor()
const marks = useMarks()
const scenes = useScenes()

const markers = computed(() => editor.clip?.markers ?? [])

function rename(i: number, name: string) {
  editor.run({ type: 'setMarks', markers: markers.value.map((m, k) => (k === i ? { ...m, name } : m)) })
}

function remove(i: number) {
  editor.run({ type: 'setMarks', markers: markers.value.filter((_, k) => k !== i) })
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
      <button class="plain" :disabled="!scenes.canSplit(editor.sceneNow)" @click="scenes.split()">
        <i class="bi bi-scissors" aria-hidden="true" /> Split the scene here
      </button>
      <button class="plain" title="I and O set its ends" :disabled="!editor.view.range" @click="marks.whole()">
        <i class="bi bi-arrows-expand-vertical" aria-hidden="true" /> Loop it all
      </button>
    </div>
    <div v-for="(m, i) in editor.view.markers" :key="m.frame" class="named">
      <TextField :check="named" :value="m.name" :label="`Name of marker ${i + 1}`" @change="rename(i, $event.trim())" />
      <IconButton icon="geo" :label="`Go to ${m.name}`" title="Go there" @click="editor.go(m.frame)" />
      <IconButton icon="x-lg" :label="`Delete ${m.name}`" @click="remove(i)" />
    </div>
  </div>
</template>

<style scoped>
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
