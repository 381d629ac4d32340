<script setup lang="ts">
import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import { useShelf } from '../shelf/useShelf'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'
import type { Command, Retiming } from '../types'
import RetimingText from './RetimingText.vue'

// Another tune for the clip: either the clip goes with its beats, or its keys stay where they
// are. What becomes of the clip is told first.
const editor = useEditor()
const notices = useNotices()
const shelf = useShelf()
const wanted = ref('') // hash
const stay = ref(false)
const outcome = shallowRef<Retiming | null>(null)
onMounted(shelf.load)

const now = computed(() => editor.clip?.props.find((p) => p.id === editor.tune?.prop)?.hash)
const prop = computed(() => shelf.tunes.value.find((s) => s.prop.hash === wanted.value)?.prop)
const command = computed((): Command | null => {
  const p = prop.value
  if (!p) return null
  const known = editor.clip?.props.find((x) => x.hash === p.hash)
  const was = editor.tune
  const rate = editor.clip?.rate ?? 30
  const tune = {
    prop: known?.id ?? p.id,
    start: 0,
    gain: was?.gain ?? 0,
    fadeIn: was?.fadeIn ?? 0,
    fadeOut: was?.fadeOut ?? Math.min(rate, editor.view.length)
  }
  const lay: Command = { type: 'setTune', tune, stay: stay.value }
  return { type: 'batch', commands: known ? [lay] : [{ type: 'addProp', prop: p }, lay] }
})

watch([command, () => editor.version], async () => {
  outcome.value = command.value
    ? await editor.ask('retiming', { command: command.value, keep: false }).catch((e) => (notices.fail(e), null))
    : null
})

async function take() {
  if (command.value && (await editor.run(command.value))) wanted.value = ''
}
</script>

<template>
  <div class="another">
    <ul class="list-unstyled">
      <li v-for="{ prop: p } in shelf.tunes.value" :key="p.hash">
        <button
          class="plain"
          :class="{ on: p.hash === wanted }"
          :disabled="p.hash === now"
          :aria-pressed="p.hash === wanted"
          @click="wanted = p.hash === wanted ? '' : p.hash"
        >
          <span>{{ p.name }}</span>
          <small
            >{{ p.sound?.steady ? `${p.sound.tempo.bpm.toFixed(0)} BPM` : 'no beat' }} ·
            {{ p.sound?.seconds.toFixed(0) }} s</small
          >
        </button>
      </li>
    </ul>
    <p v-if="!shelf.tunes.value.length" class="hint">Bring tunes in under Props on the Tabletop.</p>
    <template v-if="prop">
      <label
        ><input v-model="stay" type="radio" name="follow" :value="false" /> The clip follows the music: keys on beats go
        with it</label
      >
      <label
        ><input v-model="stay" type="radio" name="follow" :value="true" /> The clip stays as it is: keys keep their
        times</label
      >
      <RetimingText v-if="outcome" :change="outcome" />
      <BButton class="btn-act" :variant="null" size="sm" @click="take">Lay {{ prop.name }} under the clip</BButton>
    </template>
  </div>
</template>

<style scoped>
.another {
  font-size: 0.82rem;
}

ul {
  margin: 0 0 0.3rem;
}

li button {
  display: flex;
  gap: 0.6rem;
  width: 100%;
  min-height: 26px;
  align-items: baseline;
  text-align: left;
}

li span {
  flex: 1;
}

label {
  display: block;
  min-height: 24px;
}

.on {
  background: var(--harbour);
  color: var(--chalk);
}
</style>
