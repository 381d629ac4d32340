<script setup lang="ts">
import { computed } from 'vue'
import { useSounds } from './useSounds'
import { useDesk } from '../stores/desk'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'
import type { ViewSound } from '../types'
import { usualDuck } from '../gen/catalogue'
import FadeFields from './FadeFields.vue'
import NumberField from '../parts/NumberField.vue'
import GainHere from './GainHere.vue'
import TimeField from '../parts/TimeField.vue'

// The sounds beside the tune; those of the chosen one are seen whole.
const editor = useEditor()
const desk = useDesk()
const { track, set, remove } = useSounds()

const sounds = computed(() => editor.view.sounds)
const now = computed(() => sounds.value.find((s) => s.id === desk.sound) ?? sounds.value[0])
const own = computed(() => (now.value ? track(now.value.id) : undefined))

async function begin(s: ViewSound, text: string) {
  try {
    const { moment } = await editor.ask('moment', text)
    await set(s.id, { at: moment })
  } catch (e) {
    useNotices().fail(e)
  }
}
</script>

<template>
  <section v-if="now && own">
    <h2>Sounds</h2>
    <p v-if="sounds.length > 1" class="which">
      <button
        v-for="s in sounds"
        :key="s.id"
        class="plain"
        :class="{ on: s.id === now.id }"
        :aria-pressed="s.id === now.id"
        @click="desk.sound = s.id"
      >
        {{ s.name }} <small>{{ s.when }}</small>
      </button>
    </p>
    <p class="tune">
      <strong>{{ now.name }}</strong>
      <label
        ><input type="checkbox" :checked="own.solo" @change="set(now.id, { solo: !own.solo })" /> heard alone</label
      >
      <label><input type="checkbox" :checked="own.muted" @change="set(now.id, { muted: !own.muted })" /> mute</label>
      <button class="plain" @click="remove(now.id)">Take it away</button>
    </p>
    <div class="pair">
      <label>
        Begins at
        <TimeField
          label="When the sound begins"
          :value="now.when"
          :read="(text) => editor.ask('readMoment', text)"
          @change="begin(now, $event)"
        />
      </label>
      <NumberField label="Gain" unit="dB" :value="own.gain" @change="set(now.id, { gain: $event })" />
      <NumberField label="Left or right" unit="%" :value="own.pan ?? 0" @change="set(now.id, { pan: $event })" />
      <NumberField
        label="Left out before"
        unit="s"
        :step="0.1"
        :value="own.trim"
        @change="set(now.id, { trim: $event })"
      />
      <FadeFields :own="own" />
      <NumberField
        label="The tune ducks by"
        unit="dB"
        :value="own.ducks ?? 0"
        hint="While this is heard the tune is softer"
        @change="set(now.id, { ducks: $event })"
      />
      <NumberField
        v-if="own.ducks"
        label="Within"
        unit="s"
        :step="0.05"
        :value="own.duck || usualDuck"
        @change="set(now.id, { duck: $event })"
      />
    </div>
    <GainHere :sound="now" />
  </section>
</template>

<style scoped>
.pair > label {
  font-size: 0.78rem;
}

.which {
  display: flex;
  flex-wrap: wrap;
  gap: 0.2rem;
  margin: 0 0 0.3rem;
  font-size: 0.8rem;
}

.which .on {
  background: var(--harbour);
  color: var(--chalk);
}

.tune {
  display: flex;
  gap: 0.8rem;
  align-items: center;
  margin: 0 0 0.3rem;
}

.tune strong {
  flex: 1;
}
</style>
