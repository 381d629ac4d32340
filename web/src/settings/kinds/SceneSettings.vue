<script setup lang="ts">
import { computed } from 'vue'
import { useScenes } from '../../beatline/useScenes'
import { useEditor } from '../../stores/editor'
import type { Layer, Scene } from '../../types'
import ChoiceField from '../../parts/ChoiceField.vue'
import NumberField from '../../parts/NumberField.vue'
import { transitions } from '../../words'

// A scene's length. What is in it counts its time from its beginning.
const props = defineProps<{ layer: Layer; content: Scene }>()
const editor = useEditor()
const scenes = useScenes()
const scene = computed(() => editor.view.scenes.find((s) => s.id === props.layer.id))
const products = computed(() => editor.clip?.products ?? [])
const clipShows = computed(() => {
  const name = products.value.find((p) => p.id === editor.clip?.shown)?.name
  return name ? `As the clip: ${name}` : 'None'
})
const follows = computed(() => {
  const list = editor.view.scenes
  return list[list.findIndex((s) => s.id === props.layer.id) + 1]
})

function leave(kind: NonNullable<Scene['leave']>['kind'], frames?: number) {
  const usual = transitions.find((t) => t.id === kind)?.usual ?? 0
  const scene = { leave: { kind, frames: kind ? (frames ?? (props.content.leave?.frames || usual)) : 0 } }
  editor.run({ type: 'setLayer', layer: props.layer.id, set: { scene } })
}
const units = [
  { id: 'frames', name: 'Frames' },
  { id: 'beats', name: 'Beats' },
  { id: 'bars', name: 'Bars' }
]
</script>

<template>
  <div v-if="scene">
    <h2>Length</h2>
    <div class="pair">
      <NumberField
        late
        label="Lasts"
        :step="scene.unit === 'frames' ? 1 : 0.5"
        :value="scene.amount"
        @change="scenes.last(layer.id, scene.unit, $event)"
      />
      <ChoiceField label="Counted in" :value="scene.unit" :options="units" @change="scenes.count(layer.id, $event)" />
    </div>
    <p class="says">
      {{
        scene.unit === 'frames'
          ? 'It stays so long whatever the tempo is.'
          : 'It ends on a beat, and goes on doing so at another tempo.'
      }}
    </p>
    <template v-if="follows">
      <h2>Leads to {{ follows.name }}</h2>
      <div class="pair">
        <ChoiceField
          label="By"
          :value="content.leave?.kind ?? ''"
          :options="[{ id: '', name: 'A cut' }, ...transitions]"
          @change="leave($event)"
        />
        <NumberField
          v-if="content.leave?.kind"
          label="Frames"
          :value="content.leave.frames"
          @change="leave(content.leave.kind, Math.round($event))"
        />
      </div>
      <p v-if="content.leave?.kind" class="says">
        {{ follows.name }} begins when it ever did; this scene goes on beneath it meanwhile.
      </p>
    </template>
    <template v-if="products.length">
      <h2>Product</h2>
      <ChoiceField
        bare
        label="Product of the scene"
        :value="content.product ?? ''"
        :options="[{ id: '', name: clipShows }, ...products]"
        @change="editor.run({ type: 'setLayer', layer: layer.id, set: { scene: { product: $event } } })"
      />
      <p class="says">Words, badges and cut-outs that show “the one of its scene” change with it.</p>
    </template>
    <div class="acts">
      <button class="plain" :disabled="!scenes.canSplit(scene)" @click="scenes.split()">
        <i class="bi bi-scissors" aria-hidden="true" /> Split here
      </button>
      <button class="plain" @click="scenes.add(layer.id)">
        <i class="bi bi-plus-lg" aria-hidden="true" /> Add one after it
      </button>
    </div>
  </div>
</template>
