import { ref, watch } from 'vue'
import { api } from '../api'
import { useDesk } from '../stores/desk'
import { useEditor } from '../stores/editor'

const sampleRate = 48000

// useSound plays the clip's sounds, and clicks on its beats for whoever wants to
// hear them, in a loop from the playhead. Its clock is that of what is heard.
export function useSound(span: () => [number, number]) {
  const editor = useEditor()
  const desk = useDesk()
  const muted = ref(false)
  let audio: AudioContext | null = null
  let loudness: GainNode | null = null
  let sources: AudioBufferSourceNode[] = []
  let mixed: { key: string; buffer: AudioBuffer } | null = null

  const rate = () => editor.clip?.rate ?? 30
  // Seconds; that of the sound while there is any.
  const clock = () =>
    audio && sources.length ? audio.currentTime - (audio.outputLatency || 0) : performance.now() / 1000

  // mix is all that sounds, as it is mixed into the clip.
  async function mix(context: AudioContext): Promise<AudioBuffer | null> {
    const clip = editor.clip
    if (!clip?.sounds?.length) return null
    const used = new Set(clip.sounds.map((s) => s.prop))
    const props = clip.props.filter((p) => used.has(p.id))
    const key = JSON.stringify([props.map((p) => p.hash), clip.sounds, clip.tempo, editor.view.length, clip.rate])
    if (mixed?.key === key) return mixed.buffer
    for (const p of props) await editor.ask('sound', p.id, await api.bytes(`/api/files/${p.hash}/sound`))
    const bytes = await editor.ask('mix', null)
    const all = new Float32Array(bytes.buffer as ArrayBuffer, bytes.byteOffset, bytes.byteLength / 4)
    const half = all.length / 2
    const buffer = context.createBuffer(2, half, sampleRate)
    buffer.copyToChannel(all.subarray(0, half), 0)
    buffer.copyToChannel(all.subarray(half), 1)
    mixed = { key, buffer }
    return buffer
  }

  // clicks is a short tone on every beat, a higher one where a bar begins.
  function clicks(context: AudioContext) {
    const length = editor.view.length
    const buffer = context.createBuffer(1, Math.ceil((length / rate()) * sampleRate), sampleRate)
    const out = buffer.getChannelData(0)
    for (const b of editor.view.beats) {
      const from = Math.round((b.frame / rate()) * sampleRate)
      const pitch = b.down ? 1760 : 1174.66
      for (let i = 0; i < 0.05 * sampleRate && from + i < out.length; i++)
        out[from + i] += 0.4 * Math.exp(-i / (0.008 * sampleRate)) * Math.sin((2 * Math.PI * pitch * i) / sampleRate)
    }
    return buffer
  }

  async function start() {
    const context = (audio ??= new AudioContext({ sampleRate, latencyHint: 'interactive' }))
    if (!loudness) {
      loudness = context.createGain()
      loudness.gain.value = muted.value ? 0 : 1
      loudness.connect(context.destination)
    }
    await context.resume()
    const heard = await mix(context)
    return () => {
      if (heard) loop(context, heard)
      if (desk.clicks) loop(context, clicks(context))
    }
  }

  function loop(context: AudioContext, buffer: AudioBuffer) {
    const source = context.createBufferSource()
    const [from, to] = span()
    source.buffer = buffer
    source.loop = true
    source.loopStart = from / rate()
    source.loopEnd = to / rate()
    source.connect(loudness as GainNode)
    source.start(0, editor.frame / rate())
    sources.push(source)
  }

  function stop() {
    for (const s of sources) s.stop()
    sources = []
  }

  watch(muted, (m) => {
    if (loudness) loudness.gain.value = m ? 0 : 1
  })

  return { muted, clock, start, stop, close: () => audio?.close() }
}
