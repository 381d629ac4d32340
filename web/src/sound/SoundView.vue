<script setup lang="ts">
import { computed, ref } from 'vue'
import { useUndoKeys } from '../editor/useUndoKeys'
import IconButton from '../parts/IconButton.vue'
import { useDesk } from '../stores/desk'
import AnotherTune from './AnotherTune.vue'
import BeatSettings from './BeatSettings.vue'
import BestParts from './BestParts.vue'
import CutOffer from './CutOffer.vue'
import CutStrip from './CutStrip.vue'
import TuneSettings from './TuneSettings.vue'
import TuneWave from './TuneWave.vue'
import { useCut } from './useCut'
import { useSoundKeys } from './useSoundKeys'
import { useTune } from './useTune'
import { useTunePlayer } from './useTunePlayer'

// Where the tune is heard, corrected and cut to length.
const desk = useDesk()
const of = useTune()
const player = useTunePlayer(of)
const cut = useCut(of)
const correcting = ref(false)
const wave = ref<InstanceType<typeof TuneWave> | null>(null)
useUndoKeys()
useSoundKeys(player)

const tune = computed(() => of.tune.value)
const about = computed(() => {
  const t = tune.value
  if (!t) return ''
  const long = `${t.seconds.toFixed(1)} s`
  return t.steady
    ? `${t.bpm.toFixed(1)} beats a minute, ${of.bars.value.length} bars, ${long}`
    : `no steady beat, ${long}`
})
const here = computed(() => {
  const t = tune.value
  const at = player.at.value
  const bar = t?.steady ? `, bar ${of.bar(at)}` : ''
  return `${at.toFixed(2)} s${bar}`
})
</script>

<template>
  <section class="soundview" aria-label="Sound view">
    <div v-if="!tune" class="none">
      <h2>No tune yet</h2>
      <p>The clip’s tune is heard, corrected and cut to length here. Choose one of those that you have.</p>
      <AnotherTune />
    </div>
    <template v-else>
      <div class="main">
        <header>
          <h2 class="name">{{ tune.name }}</h2>
          <span class="about">{{ about }}</span>
          <span class="flex-fill" />
          <IconButton icon="zoom-out" label="See more of the tune" @click="wave?.zoom(0.5)" />
          <IconButton icon="zoom-in" label="See it closer" @click="wave?.zoom(2)" />
        </header>
        <div class="transport" role="toolbar" aria-label="Playing the tune">
          <IconButton icon="skip-start-fill" label="To its beginning" @click="player.at.value = 0" />
          <IconButton
            :icon="player.playing.value ? 'pause-fill' : 'play-fill'"
            class="play"
            title="Play the tune, or stop (Space)"
            :label="player.playing.value ? 'Stop' : 'Play'"
            @click="player.toggle()"
          />
          <IconButton
            icon="music-note-beamed"
            :pressed="desk.clicks"
            title="Clicks on the beats (C)"
            label="Clicks on the beats"
            @click="desk.clicks = !desk.clicks"
          />
          <span class="time" data-test="second">{{ here }}</span>
          <button v-if="player.loop.value" class="plain" @click="player.loop.value = null">
            <i class="bi bi-repeat" aria-hidden="true" /> Only
            {{ of.bars.value.length ? `bars from ${of.bar(player.loop.value.from)}` : 'this' }} ✕
          </button>
          <span v-else class="hint">Drag over bars to hear them again and again</span>
          <span class="flex-fill" />
          <ul class="legend" aria-label="What is drawn">
            <li class="low">low</li>
            <li class="mid">middle</li>
            <li class="high">high</li>
            <li class="alone">hit by itself</li>
            <li class="again">in each bar</li>
          </ul>
        </div>
        <TuneWave ref="wave" :of="of" :player="player" :cut="cut" :correcting="correcting" />
        <CutStrip :of="of" :player="player" :cut="cut" />
      </div>
      <aside class="side">
        <CutOffer v-if="cut.draft.value" :cut="cut" :steady="tune.steady" />
        <BestParts :of="of" :player="player" :cut="cut" />
        <BeatSettings v-model:correcting="correcting" :of="of" :player="player" />
        <TuneSettings />
        <details>
          <summary>Another tune</summary>
          <AnotherTune />
        </details>
      </aside>
    </template>
  </section>
</template>

<style scoped>
.soundview {
  grid-area: view;
  display: grid;
  grid-template-columns: minmax(0, 1fr) 312px;
  min-height: 0;
}

.none {
  grid-column: 1 / 3;
  max-width: 36rem;
  margin: 4rem auto;
}

.main {
  display: grid;
  gap: 0.5rem;
  align-content: start;
  min-width: 0;
  overflow: auto;
  padding: 0.7rem 0.9rem;
}

header,
.transport {
  display: flex;
  gap: 0.5rem;
  align-items: center;
  min-width: 0;
}

.name {
  margin: 0;
  font-size: 1.25rem;
}

.about,
.hint {
  color: var(--harbour-soft);
  font-size: 0.82rem;
}

.play {
  font-size: 1.35rem;
  line-height: 1;
  color: var(--buoy-deep);
}

.time {
  min-width: 8.5rem;
  font-weight: 700;
}

.legend {
  display: flex;
  gap: 0.7rem;
  margin: 0;
  padding: 0;
  list-style: none;
  color: var(--harbour-soft);
  font-size: 0.76rem;
}

.legend li::before {
  content: '';
  display: inline-block;
  width: 9px;
  height: 9px;
  margin-right: 4px;
  border-radius: 2px;
  background: var(--harbour);
}

.legend .mid::before {
  background: #6a9a92;
}

.legend .high::before {
  background: var(--brass);
}

.legend .alone::before {
  border-radius: 0;
  background: var(--harbour-soft);
  transform: rotate(45deg) scale(0.85);
}

.legend .again::before {
  width: 6px;
  height: 6px;
  background: var(--harbour-soft);
}

.side {
  display: grid;
  gap: 0.8rem;
  align-content: start;
  overflow: auto;
  padding: 0.7rem 0.9rem;
  border-left: 1px solid var(--line);
}

.side :deep(h2) {
  margin: 0 0 0.25rem;
  font-size: 1rem;
}

summary {
  font: 700 1rem 'Bricolage Grotesque';
}
</style>
