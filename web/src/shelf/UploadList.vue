<script setup lang="ts">
import { useUploads } from './useUploads'

// Files on their way to the shelf, and those that could not be taken. It stands with the
// notices, since files are let go over the picture as well, whichever panel is open.
const { list, drop } = useUploads()

function come(u: { share: number; read: number }) {
  if (u.share < 1) return `${Math.round(u.share * 100)}% sent`
  return u.read ? `${Math.round(u.read * 100)}% read` : 'being read'
}
</script>

<template>
  <ul v-if="list.length" class="list-unstyled uploads" aria-label="Files on their way">
    <li v-for="u in list" :key="u.id" class="notice" :class="{ problem: u.problem }">
      <template v-if="u.problem">
        <i class="bi bi-exclamation-triangle" aria-hidden="true" />
        <span role="alert">
          <b v-if="!u.problem.startsWith(u.name)">{{ u.name }}:</b> {{ u.problem }}
        </span>
        <button class="plain" :aria-label="`Dismiss ${u.name}`" @click="drop(u.id)">
          <i class="bi bi-x-lg" aria-hidden="true" />
        </button>
      </template>
      <template v-else>
        <span class="name">{{ u.name }}</span>
        <progress
          :value="u.share < 1 ? u.share : u.read || undefined"
          max="1"
          :aria-label="`How much of ${u.name} has come`"
        />
        <small>{{ come(u) }}</small>
        <button v-if="u.stop" class="plain" :aria-label="`Stop bringing ${u.name} in`" title="Stop" @click="u.stop">
          <i class="bi bi-x-lg" aria-hidden="true" />
        </button>
      </template>
    </li>
  </ul>
</template>

<style scoped>
.uploads {
  display: grid;
  gap: 0.4rem;
  max-height: 40vh;
  margin: 0;
  overflow: auto;
}

.name {
  overflow: hidden;
  white-space: nowrap;
  text-overflow: ellipsis;
}

progress {
  align-self: center;
  width: 9rem;
  height: 6px;
  accent-color: var(--brass);
}

small {
  width: 5rem;
}
</style>
