<script setup lang="ts">
import { nextTick, onMounted, ref } from 'vue'
import { useDoor } from '../stores/door'

const door = useDoor()
const phrase = ref('')
const problem = ref('')
const busy = ref(false)
const field = ref<HTMLInputElement | null>(null)

async function enter() {
  busy.value = true
  problem.value = ''
  try {
    await door.enter(phrase.value)
  } catch (e) {
    problem.value = e instanceof Error ? e.message : String(e)
    await nextTick()
    field.value?.select()
  } finally {
    busy.value = false
  }
}

onMounted(() => field.value?.focus())
</script>

<template>
  <div class="door" role="dialog" aria-modal="true" aria-labelledby="door-title">
    <form class="card-chalk" @submit.prevent="enter">
      <img src="/icon.svg" width="40" height="40" alt="" />
      <h1 id="door-title">Billow</h1>
      <label>
        Pass phrase
        <input
          ref="field"
          v-model="phrase"
          class="form-control"
          type="password"
          autocomplete="current-password"
          :aria-invalid="problem !== ''"
          aria-describedby="door-problem"
          required
        />
      </label>
      <p id="door-problem" class="problem" role="alert">{{ problem }}</p>
      <BButton class="btn-act" :variant="null" type="submit" :disabled="busy || !phrase">Sign in</BButton>
      <small>Whoever runs this Billow sets the pass phrase with “billow passphrase”.</small>
    </form>
  </div>
</template>

<style scoped>
.door {
  position: fixed;
  inset: 0;
  display: grid;
  place-items: center;
  background: var(--sailcloth);
  z-index: 1800;
}

form {
  display: grid;
  gap: 0.7rem;
  width: min(22rem, 92vw);
  padding: 2rem;
  justify-items: stretch;
}

img {
  justify-self: start;
}

h1 {
  margin: 0;
  font-size: 1.9rem;
}

label {
  display: grid;
  gap: 0.25rem;
}

.problem {
  min-height: 1.3em;
  margin: 0;
  color: #9c2f10;
}

small {
  color: var(--harbour-soft);
}
</style>
