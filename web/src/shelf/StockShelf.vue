<script setup lang="ts">
import { computed, ref } from 'vue'
import type { StockThing } from '../api'
import { useStock } from './useStock'

// The stock shelf: things to be looked for, looked at or listened to, and taken into the clip with their
// credit.
const { wanted, things, total, pages, page, busy, problem, find, taking, take } = useStock()
const kinds = [
  { id: '', name: 'All' },
  { id: 'backdrop', name: 'Backdrops' },
  { id: 'texture', name: 'Textures' },
  { id: 'footage', name: 'Footage' },
  { id: 'garnish', name: 'Garnishes' },
  { id: 'tune', name: 'Tunes' },
  { id: 'sound', name: 'Sounds' }
] as const
const colours = [
  { id: '#d7352b', name: 'Red' },
  { id: '#f08a2c', name: 'Orange' },
  { id: '#f6c945', name: 'Yellow' },
  { id: '#5f9e3a', name: 'Green' },
  { id: '#2f9c95', name: 'Teal' },
  { id: '#2f6fb5', name: 'Blue' },
  { id: '#6b4a8e', name: 'Purple' },
  { id: '#8a5e35', name: 'Brown' },
  { id: '#f4f1ea', name: 'White' },
  { id: '#17171c', name: 'Black' }
] as const

const open = ref('')
const chosen = computed(() => things.value.find((t) => t.id === open.value))
const audio = ref<HTMLAudioElement | null>(null)
const playing = ref('')
function listen(t: StockThing) {
  const a = audio.value
  if (!a) return
  if (playing.value === t.id) {
    a.pause()
    return (playing.value = '')
  }
  a.src = preview(t)
  playing.value = t.id
  a.play().catch(() => (playing.value = ''))
}
const preview = (t: StockThing) => `/api/stock/${t.id}/preview`
const cost = (t: StockThing) => (t.price ? `${t.currency === 'EUR' ? '€' : t.currency} ${t.price}` : 'free')
const icons: Record<string, string> = { tune: 'music-note-beamed', sound: 'soundwave' }
const sized = (t: StockThing) =>
  [t.w && `${t.w} × ${t.h}`, t.seconds && `${t.seconds.toFixed(1)} s`, `${Math.max(1, Math.round(t.bytes / 1024))} KB`]
    .filter(Boolean)
    .join(' · ')
const says = (t: StockThing) => `${t.name} by ${t.author}, ${t.licence}, ${cost(t)}`
</script>

<template>
  <section class="stock" aria-label="Stock shelf">
    <input v-model="wanted.words" type="search" placeholder="Leaf, light, paper …" aria-label="Find in stock" />
    <div class="kinds" role="group" aria-label="Kind">
      <button
        v-for="k in kinds"
        :key="k.id"
        class="plain"
        :class="{ on: wanted.kind === k.id }"
        :aria-pressed="wanted.kind === k.id"
        @click="wanted.kind = k.id"
      >
        {{ k.name }}
      </button>
    </div>
    <div class="colours" role="group" aria-label="Colour">
      <button
        v-for="c in colours"
        :key="c.id"
        class="dot"
        :class="{ on: wanted.colour === c.id }"
        :style="{ background: c.id }"
        :title="c.name"
        :aria-label="c.name"
        :aria-pressed="wanted.colour === c.id"
        @click="wanted.colour = wanted.colour === c.id ? '' : c.id"
      />
      <span class="count" role="status">{{ busy ? 'Looking …' : problem ? '' : `${total} found` }}</span>
    </div>
    <div v-if="problem" class="problem" role="alert">
      {{ problem }}
      <button class="btn btn-light btn-sm" @click="find()">Try again</button>
    </div>
    <ul class="things list-unstyled">
      <li v-for="t in things" :key="t.id" :class="{ open: open === t.id }">
        <button
          class="plain thing"
          :data-thing="t.id"
          :aria-expanded="open === t.id"
          :title="says(t)"
          @click="open = open === t.id ? '' : t.id"
        >
          <img v-if="t.preview" :src="preview(t)" alt="" loading="lazy" :class="t.kind" />
          <span v-else class="heard"><i :class="`bi bi-${icons[t.kind]}`" aria-hidden="true" /></span>
          <i v-if="t.kind === 'footage'" class="bi bi-film reel" aria-hidden="true" />
          <span class="name">{{ t.name }}</span>
          <small>{{ cost(t) }}</small>
        </button>
      </li>
    </ul>
    <button v-if="page + 1 < pages && !busy" class="plain more" @click="find(page + 1)">Show more</button>
    <div v-if="chosen" class="card-of" aria-label="Chosen from stock">
      <img v-if="chosen.preview" :src="preview(chosen)" alt="" :class="chosen.kind" />
      <div class="about">
        <b>{{ chosen.name }}</b>
        <small>by {{ chosen.author }} · {{ chosen.licence }}</small>
        <small>{{ sized(chosen) }}</small>
        <div class="ways">
          <button
            v-if="!chosen.preview"
            class="btn btn-light btn-sm"
            :aria-pressed="playing === chosen.id"
            @click="listen(chosen)"
          >
            <i :class="`bi bi-${playing === chosen.id ? 'pause-fill' : 'play-fill'}`" aria-hidden="true" />
            {{ playing === chosen.id ? 'Stop' : 'Listen' }}
          </button>
          <button class="btn btn-primary btn-sm" :disabled="chosen.id in taking" @click="take(chosen)">
            <template v-if="chosen.id in taking">
              {{ taking[chosen.id] ? `Reading, ${Math.round(taking[chosen.id] * 100)} %` : 'Fetching …' }}
            </template>
            <template v-else>{{ chosen.price ? `Take for ${cost(chosen)}` : 'Take into the clip' }}</template>
          </button>
        </div>
      </div>
    </div>
    <audio ref="audio" @ended="playing = ''" />
  </section>
</template>

<style scoped>
input[type='search'] {
  width: 100%;
  border: 1px solid var(--line);
  border-radius: 6px;
  padding: 0.2rem 0.6rem;
  font-size: 0.86rem;
}

.kinds,
.colours {
  display: flex;
  flex-wrap: wrap;
  gap: 0.2rem;
  margin-top: 0.4rem;
  align-items: center;
}

.kinds button {
  border: 1px solid var(--line);
  border-radius: 999px;
  padding: 0 0.6rem;
  font-size: 0.8rem;
}

.kinds .on {
  background: var(--harbour);
  color: var(--chalk);
}

.dot {
  width: 24px;
  height: 24px;
  border-radius: 50%;
  border: 2px solid var(--line);
}

.dot.on {
  outline: 2px solid var(--harbour);
  outline-offset: 1px;
}

.count {
  margin-left: auto;
  font-size: 0.8rem;
  color: var(--harbour-soft);
}

.problem {
  margin-top: 0.5rem;
  font-size: 0.86rem;
}

.things {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(92px, 1fr));
  gap: 0.4rem;
  margin: 0.6rem 0 0.4rem;
}

.thing {
  position: relative;
  display: block;
  width: 100%;
  padding: 3px;
  border: 2px solid transparent;
  border-radius: 8px;
  text-align: left;
}

.open .thing {
  border-color: var(--harbour);
}

.thing img,
.heard {
  display: block;
  width: 100%;
  aspect-ratio: 1;
  object-fit: cover;
  border-radius: 5px;
  background: #e8e4da;
}

img.garnish {
  object-fit: contain;
}

.heard {
  display: grid;
  place-items: center;
  font-size: 1.6rem;
  color: var(--harbour);
}

.reel {
  position: absolute;
  top: 7px;
  left: 8px;
  color: #fff;
  text-shadow: 0 0 4px #000;
  font-size: 0.8rem;
}

.name {
  display: block;
  font-size: 0.78rem;
  line-height: 1.15;
  padding-top: 3px;
}

small {
  color: var(--harbour-soft);
  font-size: 0.74rem;
}

.more {
  font-size: 0.84rem;
  text-decoration: underline;
}

.card-of {
  position: sticky;
  bottom: -1rem;
  display: flex;
  gap: 0.7rem;
  margin-top: 0.4rem;
  padding: 0.5rem;
  background: var(--chalk);
  border: 1px solid var(--line);
  border-radius: 10px;
  box-shadow: 0 -4px 18px #173f4722;
}

.card-of img {
  width: 96px;
  height: 96px;
  object-fit: cover;
  border-radius: 6px;
  background: #e8e4da;
}

.card-of img.garnish {
  object-fit: contain;
}

.about {
  display: flex;
  flex: 1;
  flex-direction: column;
  gap: 0.1rem;
  min-width: 0;
}

.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem;
  margin-top: auto;
}
</style>
