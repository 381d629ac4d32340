<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { ref } from 'vue'
import ActMenu from './ActMenu.vue'
import BeatBar from '../beatline/BeatBar.vue'
import Beatline from '../beatline/Beatline.vue'
import Dividers from './Dividers.vue'
import PlayBar from '../player/PlayBar.vue'
import Proofs from '../tabletop/Proofs.vue'
import ShortcutList from './ShortcutList.vue'
import SidePanel from '../settings/SidePanel.vue'
import VariantCard from '../variants/VariantCard.vue'
import Tabletop from '../tabletop/Tabletop.vue'
import { useArrangement } from './useArrangement'
import { usePropIntake } from '../shelf/usePropIntake'
import { useShortcuts } from './useShortcuts'
import { usePlayer } from '../player/usePlayer'
import { useDesk } from '../stores/desk'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'

// The picture of a clip, its time and its settings. What stands above them is given.
const editor = useEditor()
const desk = useDesk()
const notices = useNotices()
const intake = usePropIntake()
const tabletop = ref<InstanceType<typeof Tabletop> | null>(null)
const dropping = ref(false)
const arrangement = useArrangement()

const player = usePlayer(
  () => tabletop.value?.canvas ?? null,
  () => tabletop.value?.size ?? { w: 270, h: 480 }
)
useShortcuts(player)

useEventListener(window, 'dragover', (e: DragEvent) => {
  if (!e.dataTransfer?.types.includes('Files')) return
  e.preventDefault()
  dropping.value = true
})
useEventListener(window, 'dragleave', (e: DragEvent) => {
  if (!e.relatedTarget) dropping.value = false
})
useEventListener(window, 'drop', async (e: DragEvent) => {
  dropping.value = false
  if (!e.dataTransfer?.files.length || e.defaultPrevented) return // the picture has taken it
  e.preventDefault()
  await intake.take([...e.dataTransfer.files]).catch(notices.fail)
})
</script>

<template>
  <main class="editor" :class="arrangement.name.value" :style="arrangement.style.value">
    <h1 class="visually-hidden">{{ editor.clip?.name }}</h1>
    <slot v-if="!desk.alone" />
    <Tabletop ref="tabletop" :playing="player.playing.value" :upright="arrangement.name.value === 'above'" />
    <PlayBar :player="player" />
    <template v-if="!desk.alone">
      <BeatBar />
      <Beatline :player="player" />
      <SidePanel />
      <VariantCard v-if="editor.variant" />
      <Proofs v-else :playing="player.playing.value" :across="arrangement.name.value === 'stacked'" />
      <Dividers :arrangement="arrangement" />
    </template>
    <ShortcutList />
    <ActMenu />
    <div v-if="dropping" class="drop">
      Let go: a cut-out or footage lands where you drop it, a tune goes under the clip
    </div>
  </main>
</template>

<style scoped>
.editor {
  display: grid;
  height: 100%;
}

.drop {
  position: fixed;
  inset: 12px;
  display: grid;
  place-items: center;
  border: 3px dashed var(--kelp);
  border-radius: 6px;
  background: rgba(252, 250, 245, 0.9);
  font: 700 1.6rem 'Bricolage Grotesque';
  z-index: 1500;
  pointer-events: none;
}
</style>
