<script setup lang="ts">
import { voiceDucks as ducks } from '../gen/catalogue'
import { useSounds } from '../settings/useSounds'
import { useNotices } from '../stores/notices'
import { useUploads } from './useUploads'
import { useVoice } from './useVoice'

// A voice is recorded here. It goes under the clip from the playhead on, and the tune ducks
// beneath it.
const notices = useNotices()
const uploads = useUploads()
const sounds = useSounds()
const { recording, seconds, start, stop } = useVoice()

async function record() {
  if (recording.value) return stop()
  try {
    const [prop] = await uploads.bring([await start()])
    if (prop && (await sounds.lay(prop, { ducks })))
      notices.say(`${prop.name} sounds at the playhead; the tune ducks beneath it by ${ducks} dB`)
  } catch (e) {
    stop()
    notices.fail(e)
  }
}
</script>

<template>
  <button class="plain voice" :class="{ recording }" :aria-pressed="recording" @click="record">
    <i :class="`bi bi-${recording ? 'stop-circle' : 'mic'}`" aria-hidden="true" />
    {{ recording ? `Recording, ${seconds} s: press to end it` : 'Record a voice' }}
  </button>
</template>

<style scoped>
.voice {
  font-size: 0.82rem;
}

.recording {
  background: var(--buoy-deep);
  color: #fff;
}
</style>
