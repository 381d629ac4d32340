<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { api, type Starter } from '../api'
import type { Palette } from '../types'
import { useNotices } from '../stores/notices'
import StarterForm from './StarterForm.vue'
import { pictureOf } from './starters'

// Clips that are made but for what they sell.
const starters = ref<Starter[]>([])
const palettes = ref<Palette[]>([])
const shapes = ref<string[]>([])
const chosen = ref<Starter | null>(null)

onMounted(async () => {
  try {
    const got = await api.starters()
    starters.value = got.starters
    palettes.value = got.palettes
    shapes.value = got.shapes
  } catch (e) {
    useNotices().fail(e)
  }
})
</script>

<template>
  <section v-if="starters.length" class="starters">
    <h2>Begin with a starter</h2>
    <p>Made but for your products, words and colours, in all shapes.</p>
    <ul class="list-unstyled">
      <li v-for="s in starters" :key="s.id">
        <button class="plain card-chalk" @click="chosen = s">
          <img :src="pictureOf(s.id)" alt="" />
          <span>
            <strong>{{ s.name }}</strong>
            <small>{{ s.says }}</small>
          </span>
        </button>
      </li>
    </ul>
    <StarterForm :starter="chosen" :palettes="palettes" :shapes="shapes" @done="chosen = null" />
  </section>
</template>

<style scoped>
.starters {
  margin-top: 2rem;
}

h2 {
  font-size: 1.15rem;
  margin: 0;
}

p {
  color: var(--harbour-soft);
  margin-bottom: 0.7rem;
}

ul {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(256px, 1fr));
  gap: 1.2rem;
}

button {
  display: flex;
  gap: 0.8rem;
  align-items: center;
  width: 100%;
  height: 100%;
  padding: 0.6rem;
  text-align: left;
  background: var(--chalk);
}

img {
  height: 128px;
  border-radius: 4px;
}

strong,
small {
  display: block;
}

small {
  color: var(--harbour-soft);
  line-height: 1.35;
  margin-top: 0.2rem;
}
</style>
