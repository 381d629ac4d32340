<script setup lang="ts">
import { defineAsyncComponent, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { onBeforeRouteLeave, onBeforeRouteUpdate } from 'vue-router'
import ExportPanel from '../export/ExportPanel.vue'
import HistoryPanel from './HistoryPanel.vue'
import TabletopView from './TabletopView.vue'
import TopBar from './TopBar.vue'
import { useHome } from './useHome'
import { useEditor } from '../stores/editor'

// A clip that is open, in one of its views.
const props = defineProps<{ id: string; view: '' | 'sound' | 'range' | 'variants' | 'bench' }>()
const BenchView = defineAsyncComponent(() => import('../bench/BenchView.vue'))
const RangeView = defineAsyncComponent(() => import('../range/RangeView.vue'))
const SoundView = defineAsyncComponent(() => import('../sound/SoundView.vue'))
const VariantsView = defineAsyncComponent(() => import('../variants/VariantsView.vue'))
const editor = useEditor()
// What is open can be asked from the browser's console, and by tests.
Object.assign(window, { billowEditor: editor })
const exporting = ref(false)
const history = ref(false)
const lost = ref('')

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
  <template v-else>
    <TabletopView v-if="!view">
      <TopBar :view="view" @export="exporting = true" @history="history = true" />
    </TabletopView>
    <main v-else class="sheetlike">
      <h1 class="visually-hidden">{{ editor.clip.name }}</h1>
      <TopBar :view="view" @export="exporting = true" @history="history = true" />
      <SoundView v-if="view === 'sound'" />
      <RangeView v-else-if="view === 'range'" />
      <BenchView v-else-if="view === 'bench'" />
      <VariantsView v-else />
    </main>
    <ExportPanel v-model="exporting" />
    <HistoryPanel v-model="history" />
  </template>
</template>

<style scoped>
.sheetlike {
  height: 100%;
  display: grid;
  grid-template: 'top' 42px 'view' minmax(0, 1fr) / minmax(0, 1fr);
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
</style>
