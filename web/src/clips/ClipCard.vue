<script setup lang="ts">
import { useTimeoutFn } from '@vueuse/core'
import { ref } from 'vue'
import type { ClipSummary } from '../api'
import MoreMenu from '../parts/MoreMenu.vue'
import { shapeName, shapeRatio } from '../words'

const props = defineProps<{ clip: ClipSummary; deleted: boolean }>()
const emit = defineEmits<{ duplicate: []; another: []; remove: []; takeBack: [] }>()

// While the pointer rests here, or the keyboard, the clip plays.
const looking = ref(false)
const moves = ref(false) // the film has begun
const calm = window.matchMedia('(prefers-reduced-motion: reduce)').matches
const rest = useTimeoutFn(() => (looking.value = true), 250, { immediate: false })

function look() {
  if (!calm && !props.deleted) rest.start()
}

function leave() {
  rest.stop()
  looking.value = moves.value = false
}

// What is not seen any longer is not fetched any longer.
function letGo(film: HTMLVideoElement) {
  film.removeAttribute('src')
  film.load()
}

function when(iso: string) {
  return new Date(iso).toLocaleDateString('en', { day: 'numeric', month: 'long', hour: '2-digit', minute: '2-digit' })
}
</script>

<template>
  <article class="clip card-chalk">
    <component
      :is="deleted ? 'div' : 'RouterLink'"
      :to="deleted ? undefined : `/clips/${clip.id}`"
      :aria-label="deleted ? undefined : `Open ${clip.name}`"
      class="open"
      @pointerenter="look"
      @pointerleave="leave"
      @focus="look"
      @blur="leave"
    >
      <span class="poster" :class="{ faint: deleted }">
        <span class="frame">
          <img
            v-if="!deleted"
            :src="`/api/clips/${clip.id}/poster.jpg?r=${clip.revision}`"
            :alt="`Poster frame of ${clip.name}`"
          />
          <i v-else class="bi bi-trash3" aria-hidden="true" />
          <video
            v-if="looking"
            :class="{ moves }"
            :src="`/api/clips/${clip.id}/film.mp4?r=${clip.revision}`"
            muted
            loop
            autoplay
            playsinline
            aria-hidden="true"
            @playing="moves = true"
            @vue:before-unmount="letGo($event.el)"
          />
          <span v-if="looking && !moves" class="coming" aria-hidden="true" />
        </span>
      </span>
      <strong>{{ clip.name }}</strong>
    </component>
    <div class="facts">
      <span
        >{{ shapeName(clip.shape.id) }} {{ shapeRatio(clip.shape.id) }} · {{ clip.length }} · {{ clip.rate }} fps</span
      >
      <MoreMenu v-if="!deleted" :label="`What can be done with ${clip.name}`">
        <BDropdownItemButton @click="emit('duplicate')">Duplicate</BDropdownItemButton>
        <BDropdownItemButton @click="emit('another')">The same for another product…</BDropdownItemButton>
        <BDropdownItem :href="`/api/clips/${clip.id}/bundle.zip`">Download the bundle</BDropdownItem>
        <BDropdownDivider />
        <BDropdownItemButton @click="emit('remove')">Delete</BDropdownItemButton>
      </MoreMenu>
    </div>
    <div class="facts">
      Changed {{ when(clip.updated) }}
      <BButton v-if="deleted" size="sm" variant="outline-primary" @click="emit('takeBack')">Take back</BButton>
    </div>
  </article>
</template>

<style scoped>
.clip {
  padding: 0.7rem 0.7rem 0.6rem;
}

.open {
  display: block;
  color: inherit;
  text-decoration: none;
}

.poster {
  display: flex;
  align-items: center;
  justify-content: center;
  height: 340px;
  padding: 14px;
  background: #828282;
  border-radius: 6px;
  overflow: hidden;
  margin-bottom: 0.6rem;
}

.faint {
  height: 90px;
  color: #fff;
  font-size: 1.6rem;
}

.frame {
  position: relative;
  display: flex;
  max-width: 100%;
  max-height: 100%;
}

.frame img {
  max-width: 100%;
  max-height: 312px;
  box-shadow: 0 2px 10px rgba(0, 0, 0, 0.3);
}

video {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  opacity: 0;
}

video.moves {
  opacity: 1;
}

.coming {
  position: absolute;
  left: 0;
  bottom: 0;
  height: 3px;
  width: 100%;
  background: linear-gradient(90deg, transparent, var(--brass), transparent);
  background-size: 40% 100%;
  background-repeat: no-repeat;
  animation: coming 1.2s linear infinite;
}

@keyframes coming {
  from {
    background-position: -60% 0;
  }
  to {
    background-position: 160% 0;
  }
}

strong {
  font-size: 1.05rem;
}

.facts {
  display: flex;
  align-items: center;
  justify-content: space-between;
  color: var(--harbour-soft);
  font-size: 0.8rem;
}
</style>
