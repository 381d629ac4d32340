<script setup lang="ts">
import { ref, watch } from 'vue'
import { api, type Session } from '../api'
import { useDoor } from '../stores/door'
import { useNotices } from '../stores/notices'

const open = defineModel<boolean>({ required: true })
const door = useDoor()
const notices = useNotices()
const list = ref<Session[]>([])
const own = ref('')

async function load() {
  try {
    const got = await api.sessions()
    list.value = got.sessions
    own.value = got.own
  } catch (e) {
    notices.fail(e)
  }
}

watch(open, (is) => is && load())

async function end(s: Session) {
  try {
    await api.endSession(s.id)
    if (s.id === own.value) location.reload()
    await load()
  } catch (e) {
    notices.fail(e)
  }
}

async function leave() {
  open.value = false
  await door.leave().catch(notices.fail)
}

// What a browser calls itself holds its name and system somewhere.
function browser(agent: string) {
  const name = /(Firefox|Edg|OPR|Chrome|Safari)/.exec(agent)?.[1] ?? 'A browser'
  const system = /(Windows|Mac OS X|Android|iPhone|iPad|Linux)/.exec(agent)?.[1]
  const known: Record<string, string> = { Edg: 'Edge', OPR: 'Opera', 'Mac OS X': 'macOS' }
  return [known[name] ?? name, system && (known[system] ?? system)].filter(Boolean).join(' on ')
}

const when = (iso: string) =>
  new Date(iso).toLocaleDateString('en', { day: 'numeric', month: 'long', hour: '2-digit', minute: '2-digit' })
</script>

<template>
  <BModal title-tag="h2" title-class="h5" v-model="open" title="Who is signed in" no-footer scrollable>
    <ul class="list-unstyled">
      <li v-for="s in list" :key="s.id">
        <span>
          <strong>{{ browser(s.agent) }}</strong>
          <small>from {{ s.address }}, last seen {{ when(s.seen) }}</small>
        </span>
        <em v-if="s.id === own">this browser</em>
        <button v-else class="plain" :aria-label="`End the session of ${browser(s.agent)}`" @click="end(s)">End</button>
      </li>
    </ul>
    <BButton variant="outline-primary" @click="leave">Sign out here</BButton>
  </BModal>
</template>

<style scoped>
li {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 0.8rem;
  padding: 0.4rem 0;
  border-bottom: 1px solid var(--line);
}

li span {
  display: grid;
}

small {
  color: var(--harbour-soft);
}

em {
  color: var(--kelp-deep);
}

ul {
  margin-bottom: 1rem;
}
</style>
