<script setup lang="ts">
import { computed } from 'vue'
import { named } from '../parts/fields'
import { useEditor } from '../stores/editor'
import IconButton from '../parts/IconButton.vue'
import TextField from '../parts/TextField.vue'

defineProps<{ view: string }>()
defineEmits<{ export: []; history: [] }>()
const editor = useEditor()

const views = [
  { id: '', name: 'Tabletop', says: 'Where the clip is arranged' },
  { id: 'bench', name: 'Bench', says: 'Where a photo becomes a cut-out' },
  { id: 'sound', name: 'Sound', says: 'Where the tune is heard, corrected and cut' },
  { id: 'range', name: 'Range', says: 'The products with their prices' },
  { id: 'variants', name: 'Variants', says: 'The same clip for many products and shapes' }
]

// What can be wrong with a server that answers.
const reasons: Record<string, string> = {
  full: 'The server’s disk is full',
  unavailable: 'The server’s database does not answer',
  busy: 'The server is busy'
}

// What a person must know of where the changes are.
const state = computed(() => {
  const box = editor.outbox
  if (!box) return { text: '', icon: '' }
  const waiting = box.waiting.value
  const left = `Not sent yet: ${waiting} ${waiting === 1 ? 'change' : 'changes'}`
  const warned = waiting && !box.kept.value ? `${left}. The browser's storage is full: keep this page open` : ''
  switch (box.connection.value) {
    case 'gone':
      return { text: 'Deleted elsewhere', icon: 'exclamation-triangle' }
    case 'off': {
      const why = reasons[box.why.value]
      if (why) return { text: `${left}. ${why}`, icon: 'exclamation-triangle' }
      return { text: warned || (waiting ? left : 'Not connected'), icon: 'wifi-off' }
    }
    case 'signedOut':
      return { text: `Signed out. ${left}`, icon: 'lock' }
  }
  if (editor.typing.waits.value) return { text: 'Saving…', icon: '' }
  if (warned) return { text: warned, icon: 'exclamation-triangle' }
  return { text: waiting ? 'Saving…' : 'Saved', icon: '' }
})
</script>

<template>
  <header class="top">
    <RouterLink to="/" class="home" aria-label="All clips" title="All clips">
      <img src="/icon.svg" width="26" height="26" alt="" />
      <span>Clips</span>
    </RouterLink>
    <div class="name">
      <TextField
        :value="editor.clip?.name ?? ''"
        label="Name of the clip"
        :check="named"
        @change="editor.run({ type: 'setClip', name: $event })"
      />
    </div>
    <span class="saved" :class="{ off: state.icon }" role="status">
      <i :class="`bi bi-${state.icon || 'check2'}`" aria-hidden="true" /> {{ state.text }}
    </span>
    <nav class="views" aria-label="Views of the clip">
      <RouterLink
        v-for="v in views"
        :key="v.id"
        :to="`/clips/${editor.id}${v.id && '/' + v.id}`"
        :title="v.says"
        :aria-current="v.id === view ? 'page' : undefined"
        >{{ v.name }}</RouterLink
      >
    </nav>
    <span class="flex-fill" />
    <IconButton
      v-if="view !== 'bench'"
      icon="arrow-counterclockwise"
      :disabled="!editor.past.length"
      title="Undo (Ctrl Z)"
      label="Undo"
      @click="editor.undo()"
    />
    <IconButton
      v-if="view !== 'bench'"
      icon="arrow-clockwise"
      :disabled="!editor.future.length"
      title="Redo (Ctrl Shift Z)"
      label="Redo"
      @click="editor.redo()"
    />
    <button class="plain" @click="$emit('history')">Revisions</button>
    <a class="bundle" :href="`/api/clips/${editor.id}/bundle.zip`" download>Download the bundle</a>
    <BButton
      v-if="view !== 'variants' && !editor.variant"
      class="btn-act"
      :variant="null"
      size="sm"
      @click="$emit('export')"
      >Export…</BButton
    >
  </header>
</template>

<style scoped>
.top {
  grid-area: top;
  display: flex;
  align-items: center;
  gap: 0.5rem;
  padding: 0 0.9rem;
  border-bottom: 1px solid var(--line);
}

.home {
  display: flex;
  align-items: center;
  gap: 0.45rem;
  color: inherit;
  text-decoration: none;
  font: 700 1.05rem 'Bricolage Grotesque';
  margin-right: 0.6rem;
}

.name {
  width: 15rem;
}

.name :deep(input) {
  border: 1px solid transparent;
  background: none;
  font-weight: 700;
  font-size: 1rem;
}

.name :deep(input:hover),
.name :deep(input:focus) {
  border-color: var(--line);
  background: var(--chalk);
}

.top > * {
  flex-shrink: 0;
}

.top > .name,
.top > .saved {
  flex-shrink: 1;
  min-width: 6rem;
}

.saved {
  color: var(--kelp-deep);
  font-size: 0.8rem;
  line-height: 1.2;
}

.saved.off {
  color: #9c2f10;
  font-weight: 700;
}

.views {
  display: flex;
  gap: 0.2rem;
}

.views a {
  color: inherit;
  text-decoration: none;
  padding: 0.15rem 0.5rem;
  border-radius: 6px;
}

.views a:hover {
  background: rgba(23, 63, 71, 0.09);
}

.views a[aria-current] {
  font-weight: 700;
  box-shadow: inset 0 -2px var(--kelp);
  border-radius: 0;
}

.bundle {
  color: inherit;
  text-decoration: none;
  padding: 0.15rem 0.35rem;
  margin-right: 0.4rem;
  border-radius: 6px;
}

.bundle:hover {
  background: rgba(23, 63, 71, 0.09);
}
</style>
