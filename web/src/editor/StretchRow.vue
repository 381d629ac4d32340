<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, type Revision, type Stretch } from '../api'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'
import { listed } from '../words'

// A stretch of work: how the clip looked at its end, what was done, and when.
const props = defineProps<{ stretch: Stretch; now: boolean; compared: boolean }>()
const emit = defineEmits<{ compare: []; restore: [revision: number]; name: [text: string] }>()
const editor = useEditor()
const each = ref<Revision[]>([])
const naming = ref(false)

const count = computed(() => props.stretch.last - props.stretch.first + 1)
const title = computed(() => props.stretch.name || listed(props.stretch.changes))

const time = (iso: string) => new Date(iso).toLocaleTimeString('en', { hour: '2-digit', minute: '2-digit' })
const when = computed(() => {
  const day = new Date(props.stretch.to).toLocaleDateString('en', { day: 'numeric', month: 'long' })
  const [from, to] = [time(props.stretch.from), time(props.stretch.to)]
  return from === to ? `${day}, ${to}` : `${day}, ${from} to ${to}`
})

async function showEach() {
  if (each.value.length) return (each.value = [])
  try {
    const { revisions } = await api.revisions(editor.id, props.stretch.last + 1)
    each.value = revisions.filter((r) => r.revision >= props.stretch.first)
  } catch (e) {
    useNotices().fail(e)
  }
}

function named(e: Event) {
  const text = (e.target as HTMLInputElement).value.trim()
  naming.value = false
  if (text !== props.stretch.name) emit('name', text)
}
</script>

<template>
  <li :class="{ compared }">
    <img :src="`/api/clips/${editor.id}/revisions/${stretch.last}/poster.jpg`" alt="" loading="lazy" />
    <div class="said">
      <input
        v-if="naming"
        :value="stretch.name"
        maxlength="80"
        :aria-label="`Name of revision ${stretch.last}`"
        @keydown.enter="named"
        @keydown.esc.stop="naming = false"
        @blur="named"
        @vue:mounted="$event.el.focus()"
      />
      <strong v-else>{{ title }}</strong>
      <small>{{ when }} · {{ count === 1 ? '1 change' : `${count} changes` }}<em v-if="now"> · now</em></small>
      <span class="acts">
        <button
          class="plain"
          :aria-label="`${stretch.name ? 'Rename' : 'Name it'}: revision ${stretch.last}`"
          @click="naming = true"
        >
          {{ stretch.name ? 'Rename' : 'Name it' }}
        </button>
        <button v-if="count > 1" class="plain" :aria-expanded="each.length > 0" @click="showEach">Each change</button>
        <template v-if="!now">
          <button
            class="plain"
            :aria-pressed="compared"
            :aria-label="`Compare revision ${stretch.last} with now`"
            @click="emit('compare')"
          >
            Compare
          </button>
          <button
            class="plain"
            :aria-label="`Go back to revision ${stretch.last}`"
            @click="emit('restore', stretch.last)"
          >
            Go back
          </button>
        </template>
      </span>
      <ol v-if="each.length" class="list-unstyled each">
        <li v-for="r in each" :key="r.revision">
          <span>{{ r.change }}</span>
          <time :datetime="r.at">{{ time(r.at) }}</time>
          <button class="plain" :aria-label="`Go back to revision ${r.revision}`" @click="emit('restore', r.revision)">
            Go back
          </button>
        </li>
      </ol>
    </div>
  </li>
</template>

<style scoped>
li {
  display: flex;
  gap: 0.9rem;
  padding: 0.5rem;
  border-bottom: 1px solid var(--line);
}

li.compared {
  background: rgba(200, 146, 46, 0.16);
  border-radius: 6px;
}

img {
  width: 84px;
  height: 84px;
  object-fit: contain;
  background: #828282;
  border-radius: 4px;
}

.said {
  flex: 1;
  min-width: 0;
}

strong,
small {
  display: block;
}

small {
  color: var(--harbour-soft);
}

em {
  color: var(--kelp-deep);
  font-weight: 700;
}

.acts {
  display: flex;
  margin-left: -0.35rem;
}

.acts button {
  text-decoration: underline;
  text-underline-offset: 3px;
}

input {
  width: 100%;
  border: 1px solid var(--line);
  border-radius: 6px;
  padding: 0.1rem 0.4rem;
}

.each li {
  align-items: center;
  padding: 0.05rem 0;
}

.each span {
  flex: 1;
}

.each time {
  color: var(--harbour-soft);
}
</style>
