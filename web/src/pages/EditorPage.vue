<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { onBeforeRouteLeave, onBeforeRouteUpdate } from 'vue-router'
import Beatline from '../components/Beatline.vue'
import ExportPanel from '../components/ExportPanel.vue'
import HistoryPanel from '../components/HistoryPanel.vue'
import Proofs from '../components/Proofs.vue'
import ShortcutList from '../components/ShortcutList.vue'
import SidePanel from '../components/SidePanel.vue'
import Tabletop from '../components/Tabletop.vue'
import TopBar from '../components/TopBar.vue'
import { usePropIntake } from '../composables/usePropIntake'
import { useShortcuts } from '../composables/useShortcuts'
import { useHome } from '../composables/useHome'
import { usePlayer } from '../composables/usePlayer'
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

// The Beatline may be made higher; the picture has the rest.
const rows = computed(() =>
  desk.beatHeight ? { gridTemplateRows: `46px minmax(0, 1fr) ${desk.beatHeight}px` } : undefined
)

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
  if (!e.dataTransfer?.files.length) return
  e.preventDefault()
  dropping.value = false
  await intake.take([...e.dataTransfer.files]).catch(notices.fail)
})
</script>

<template>
  <div v-if="lost" class="lost">
    <p>This clip cannot be opened: {{ lost }}</p>
    <RouterLink to="/">Back to the clips</RouterLink>
  </div>
  <div v-else-if="!editor.clip" class="lost" role="status">Opening the clip…</div>
  <div v-else class="editor" :style="rows">
    <TopBar @export="exporting = true" @history="history = true" />
    <SidePanel />
    <Tabletop ref="tabletop" :playing="player.playing.value" />
    <Proofs :playing="player.playing.value" />
    <Beatline :player="player" />
    <ExportPanel v-model="exporting" />
    <HistoryPanel v-model="history" />
    <ShortcutList />
    <div v-if="dropping" class="drop">Drop cut-outs and tunes here</div>
  </div>
</template>

<style scoped>
.editor {
  display: grid;
  height: 100%;
  grid-template-columns: 304px minmax(0, 1fr) 148px;
  grid-template-rows: 46px minmax(0, 1fr) clamp(220px, 34vh, 380px);
  grid-template-areas: 'top top top' 'side table proofs' 'beat beat beat';
}

@media (max-width: 1100px) {
  .editor {
    grid-template-columns: 272px minmax(0, 1fr) 112px;
  }
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
