<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { onBeforeRouteLeave, onBeforeRouteUpdate } from 'vue-router'
import ActMenu from './ActMenu.vue'
import BeatBar from '../beatline/BeatBar.vue'
import Beatline from '../beatline/Beatline.vue'
import Dividers from './Dividers.vue'
import ExportPanel from '../export/ExportPanel.vue'
import HistoryPanel from './HistoryPanel.vue'
import PlayBar from '../player/PlayBar.vue'
import Proofs from '../tabletop/Proofs.vue'
import ShortcutList from './ShortcutList.vue'
import SidePanel from '../settings/SidePanel.vue'
import Tabletop from '../tabletop/Tabletop.vue'
import TopBar from './TopBar.vue'
import { useArrangement } from './useArrangement'
import { usePropIntake } from '../shelf/usePropIntake'
import { useShortcuts } from './useShortcuts'
import { useHome } from './useHome'
import { usePlayer } from '../player/usePlayer'
import { useDesk } from '../stores/desk'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'

const props = defineProps<{ id: string }>()
const editor = useEditor()
const desk = useDesk()
const notices = useNotices()
// What is open can be asked from the browser's console, and by tests.
Object.assign(window, { billowEditor: editor })
const intake = usePropIntake()
const tabletop = ref<InstanceType<typeof Tabletop> | null>(null)
const exporting = ref(false)
const history = ref(false)
const dropping = ref(false)
const lost = ref('')

const arrangement = useArrangement()

const player = usePlayer(
  () => tabletop.value?.canvas ?? null,
  () => tabletop.value?.size ?? { w: 270, h: 480 }
)
useShortcuts(player)
useHome()

async function load() {
  lost.value = ''
  try {
    await editor.open(props.id)
  } catch (e) {
    lost.value = e instanceof Error ? e.message : String(e)
  }
}

onMounted(load)
watch(() => props.id, load)
// What is being typed is kept before the clip is left.
onBeforeRouteLeave(() => editor.quiet())
onBeforeRouteUpdate(() => editor.quiet())
onBeforeUnmount(() => editor.close())

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
  <main v-if="lost" class="lost">
    <p>This clip cannot be opened: {{ lost }}</p>
    <RouterLink to="/">Back to the clips</RouterLink>
  </main>
  <div v-else-if="!editor.clip" class="opening" role="status">
    <img :src="`/api/clips/${id}/poster.jpg`" alt="" />
    <span>Opening the clip…</span>
  </div>
  <main v-else class="editor" :class="arrangement.name.value" :style="arrangement.style.value">
    <h1 class="visually-hidden">{{ editor.clip.name }}</h1>
    <TopBar v-if="!desk.alone" @export="exporting = true" @history="history = true" />
    <Tabletop ref="tabletop" :playing="player.playing.value" :upright="arrangement.name.value === 'above'" />
    <PlayBar :player="player" />
    <template v-if="!desk.alone">
      <BeatBar />
      <Beatline :player="player" />
      <SidePanel />
      <Proofs :playing="player.playing.value" :across="arrangement.name.value === 'stacked'" />
      <Dividers :arrangement="arrangement" />
    </template>
    <ExportPanel v-model="exporting" />
    <HistoryPanel v-model="history" />
    <ShortcutList />
    <ActMenu />
    <div v-if="dropping" class="drop">Let go: a cut-out lands where you drop it, a tune goes under the clip</div>
  </main>
</template>

<style scoped>
.editor {
  display: grid;
  height: 100%;
}

.opening {
  height: 100%;
  padding: 5vh 0;
  display: grid;
  grid-template-rows: minmax(0, 1fr) auto;
  place-items: center;
  gap: 1rem;
  background: #828282;
  color: #fff;
}

.opening img {
  max-width: 90%;
  max-height: 100%;
  box-shadow: 0 4px 18px rgba(0, 0, 0, 0.32);
}

.lost {
  padding: 4rem;
  text-align: center;
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
