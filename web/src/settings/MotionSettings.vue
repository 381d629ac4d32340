<script setup lang="ts">
import { computed } from 'vue'
import { useEditor } from '../stores/editor'
import KeySettings from './KeySettings.vue'
import LineupSettings from './LineupSettings.vue'
import MovesSettings from './MovesSettings.vue'
import TextureSettings from './TextureSettings.vue'
import TimeSettings from './TimeSettings.vue'
import TogetherSettings from './TogetherSettings.vue'

const editor = useEditor()
const layer = computed(() => editor.layer)
</script>

<template>
  <p v-if="!layer" class="says">
    Choose a layer in the picture or on the Beatline to give it motion; with Shift, several.
  </p>
  <div v-else>
    <TogetherSettings v-if="editor.chosen.length > 1" />
    <LineupSettings v-if="layer.lineup" :lineup="layer.lineup" :layer="layer" />
    <MovesSettings />
    <KeySettings />
    <TimeSettings v-if="layer.inside" :inside="layer.inside" :layer="layer" />
    <TextureSettings :layer="layer" />
  </div>
</template>
