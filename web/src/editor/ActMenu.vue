<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, nextTick, ref, watch } from 'vue'
import { useEditor } from '../stores/editor'
import { useMenu } from '../stores/menu'
import { alignments, useActs, type Act } from './useActs'
import { keyName } from './keyName'
import { home } from './useHome'

// The menu of what is chosen, where the pointer was pressed. Arrow keys walk
// through it, Escape closes it.
const editor = useEditor()
const menu = useMenu()
const { acts, align } = useActs()
const list = ref<HTMLElement | null>(null)
const place = ref({ left: '0px', top: '0px' })

const groups = computed(() => (menu.at ? acts() : []))
const lines = computed(() => alignments.filter((a) => editor.chosen.length > 2 || !/across|down/.test(a.how)))

watch(
  () => menu.at,
  async (at) => {
    if (!at) return
    if (!groups.value.length) return menu.close()
    place.value = { left: `${at.x}px`, top: `${at.y}px` }
    await nextTick()
    const box = list.value?.getBoundingClientRect()
    if (!box) return
    place.value = {
      left: `${Math.max(4, Math.min(at.x, window.innerWidth - box.width - 4))}px`,
      top: `${Math.max(4, Math.min(at.y, window.innerHeight - box.height - 4))}px`
    }
    items()[0]?.focus()
  }
)

const items = () => [...(list.value?.querySelectorAll<HTMLElement>('[role=menuitem]') ?? [])]

function close() {
  menu.close()
  home()
}

async function run(act: Act) {
  close()
  await act.run()
}

function walk(e: KeyboardEvent) {
  e.stopPropagation()
  const all = items()
  const at = all.indexOf(document.activeElement as HTMLElement)
  const to = {
    ArrowDown: at + 1,
    ArrowRight: at + 1,
    ArrowUp: at - 1,
    ArrowLeft: at - 1,
    Home: 0,
    End: all.length - 1
  }[e.key]
  if (to !== undefined) all[(to + all.length) % all.length].focus()
  else if (e.key === 'Escape' || e.key === 'Tab') close()
  else return
  e.preventDefault()
}

useEventListener(window, 'pointerdown', (e) => menu.at && !list.value?.contains(e.target as Node) && menu.close(), {
  capture: true
})
useEventListener(window, 'blur', () => menu.close())
useEventListener(window, 'resize', () => menu.close())
</script>

<template>
  <div
    v-if="menu.at && editor.layer"
    ref="list"
    class="menu"
    role="menu"
    :style="place"
    :aria-label="`What to do with ${editor.layer.name}`"
    @keydown="walk"
    @contextmenu.prevent
  >
    <div class="name">{{ editor.chosen.length > 1 ? `${editor.chosen.length} layers` : editor.layer.name }}</div>
    <div v-for="(g, i) in groups" :key="i" role="none" class="group">
      <button v-for="a in g" :key="a.id" role="menuitem" tabindex="-1" class="plain" :data-act="a.id" @click="run(a)">
        <i class="bi" :class="`bi-${a.icon}`" aria-hidden="true" />
        <span>{{ a.says }}</span>
        <kbd v-if="a.keys">{{ keyName(a.keys) }}</kbd>
      </button>
    </div>
    <div role="none" class="group line">
      <button
        v-for="a in lines"
        :key="a.how"
        role="menuitem"
        tabindex="-1"
        class="plain"
        :aria-label="editor.chosen.length > 1 ? a.says : `${a.says}, of the frame`"
        :title="editor.chosen.length > 1 ? a.says : `${a.says}, of the frame`"
        :data-act="`align-${a.how}`"
        @click="run({ id: a.how, says: a.says, icon: a.icon, run: () => align(a.how) })"
      >
        <i class="bi" :class="`bi-${a.icon}`" aria-hidden="true" />
      </button>
    </div>
  </div>
</template>

<style scoped>
.menu {
  position: fixed;
  z-index: 1400;
  min-width: 15rem;
  padding: 0.3rem;
  background: var(--chalk);
  border-radius: 6px;
  box-shadow: 0 3px 14px rgba(23, 63, 71, 0.35);
  font-size: 0.84rem;
}

.name {
  padding: 0.1rem 0.4rem 0.25rem;
  font: 700 0.84rem 'Bricolage Grotesque';
}

.group {
  border-top: 1px solid var(--line);
  padding: 0.2rem 0;
}

.group button {
  display: flex;
  gap: 0.55rem;
  align-items: center;
  width: 100%;
  min-height: 26px;
  text-align: left;
}

.group span {
  flex: 1;
}

kbd {
  background: none;
  color: var(--harbour-soft);
  font: 500 0.74rem 'Hanken Grotesk';
  padding: 0;
}

.line {
  display: flex;
  padding-bottom: 0;
}

.line button {
  flex: 1;
  justify-content: center;
}
</style>
