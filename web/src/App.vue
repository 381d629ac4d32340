<script setup lang="ts">
import SignIn from './editor/SignIn.vue'
import UploadList from './shelf/UploadList.vue'
import { useFound } from './parts/useFound'
import { useDoor } from './stores/door'
import { useNotices } from './stores/notices'

const notices = useNotices()
useFound()
const door = useDoor()
door.look().catch(() => undefined) // whatever is asked next says what is wrong
</script>

<template>
  <RouterView :key="door.visits" />
  <SignIn v-if="door.asking" />
  <div class="messages">
    <UploadList />
    <div class="notices" aria-live="polite">
      <div v-for="n in notices.list" :key="n.id" class="notice" :class="n.kind" role="status">
        <i :class="n.kind === 'problem' ? 'bi bi-exclamation-triangle' : 'bi bi-check2'" aria-hidden="true" />
        <span>{{ n.text }}</span>
        <button v-if="n.way" class="plain way" @click="(n.way.run(), notices.drop(n.id))">{{ n.way.label }}</button>
        <button class="plain" aria-label="Dismiss" @click="notices.drop(n.id)"><i class="bi bi-x-lg" /></button>
      </div>
    </div>
  </div>
</template>
