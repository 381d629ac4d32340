<script setup lang="ts">
import { useUploads } from './useUploads'

// Files on their way to the shelf, and those that could not be taken.
const { list, drop } = useUploads()
</script>

<template>
  <ul v-if="list.length" class="list-unstyled uploads" aria-label="Files on their way">
    <li v-for="u in list" :key="u.id" :class="{ problem: u.problem }">
      <span v-if="!u.problem.startsWith(u.name)" class="name">{{ u.name }}</span>
      <template v-if="u.problem">
        <span role="alert">{{ u.problem }}</span>
        <button class="plain" :aria-label="`Dismiss ${u.name}`" @click="drop(u.id)">
          <i class="bi bi-x-lg" aria-hidden="true" />
        </button>
      </template>
      <template v-else>
        <progress :value="u.read || u.share" max="1" :aria-label="`How much of ${u.name} has come`" />
        <small>{{
          u.share < 1 ? `${Math.round(u.share * 100)}%` : u.read ? `read ${Math.round(u.read * 100)}%` : 'reading'
        }}</small>
        <button v-if="u.stop" class="plain" :aria-label="`Stop bringing ${u.name} in`" title="Stop" @click="u.stop">
          <i class="bi bi-x-lg" aria-hidden="true" />
        </button>
      </template>
    </li>
  </ul>
</template>

<style scoped>
.uploads {
  margin: 0.5rem 0;
  font-size: 0.78rem;
}

li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 7rem 4.2rem 1.4rem;
  gap: 0.5rem;
  align-items: center;
  padding: 0.15rem 0;
}

li.problem {
  grid-template-columns: minmax(0, 1fr) auto;
  color: #8f2a0d;
}

.name {
  overflow: hidden;
  white-space: nowrap;
  text-overflow: ellipsis;
}

progress {
  width: 100%;
  height: 6px;
  accent-color: var(--kelp);
}
</style>
