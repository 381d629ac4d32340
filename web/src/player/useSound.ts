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
  let click: AudioBuffer | null = null
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
    const key = JSON.stringify([
      props.map((p) => p.hash),
      clip.sounds,
      clip.loudness,
      clip.tempo,
      editor.view.length,
      clip.rate
    ])
    if (mixed?.key === key) return mixed.buffer
    for (const p of props) await editor.ask('sound', p.id, await api.bytes(`/api/files/${p.hash}/sound`))
    const bytes = await editor.ask('mix', null)
    const all = new Float32Array(bytes.buffer as ArrayBuffer, bytes.byteOffset, bytes.byteLength / 4)
    const half = all.length / 2
    const buffer = context.createBuffer(2, half, sampleRate)
    buffer.copyToChannel(all.subarray(0, half), 0)
    buffer.copyToChannel(all.subarray(half), 1)
    mixed = { key, buffer }
    desk.loudness = await editor.ask('loudness', null)
    return buffer
  }

  // clicks is a short tone on every beat, a higher one where a bar begins.
  function clicks(context: AudioContext) {
    const length = editor.view.length
    const buffer = context.createBuffer(1, Math.ceil((length / rate()) * sampleRate), sampleRate)
    const out = buffer.getChannelData(0)
    for (const b of editor.view.beats) {
      const from = Math.round((b.frame / rate()) * sampleRate)
      beep(out, from, b.down ? 1760 : 1174.66)
    }
    return buffer
  }

  // open lets sound be heard; browsers grant it to whoever has pressed something.
  function open() {
    audio ??= new AudioContext({ sampleRate, latencyHint: 'interactive' })
    if (!loudness) {
      loudness = audio.createGain()
      loudness.gain.value = muted.value ? 0 : 1
      loudness.connect(audio.destination)
    }
    return audio
  }

  async function start() {
    const context = open()
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

  // touch lets the frame under the playhead be heard for a moment, and the beat that lies on it, while
  // the playhead is dragged. It takes the sound that was mixed last; what has changed since is mixed
  // when the playhead rests, so that nothing waits for it.
  let touched = 0
  let resting = 0
  function touch(frame: number) {
    if (sources.length || frame === touched) return
    const context = open()
    clearTimeout(resting)
    resting = window.setTimeout(() => !sources.length && mix(context).catch(() => undefined), 300)
    const before = touched
    touched = frame
    const [first, last] = before < frame ? [before + 1, frame] : [frame, before]
    const beat = desk.clicks && editor.view.beats.some((b) => b.frame >= first && b.frame <= last)
    if (mixed) grain(context, mixed.buffer, frame / rate(), 0.08)
    if (beat) grain(context, (click ??= tone(context)), 0, 0.05)
  }

  // grain is a little of a sound, faded at both ends.
  function grain(context: AudioContext, buffer: AudioBuffer, from: number, seconds: number) {
    const source = context.createBufferSource()
    const ends = context.createGain()
    const now = context.currentTime
    ends.gain.setValueAtTime(0, now)
    ends.gain.linearRampToValueAtTime(1, now + 0.008)
    ends.gain.setValueAtTime(1, now + seconds - 0.02)
    ends.gain.linearRampToValueAtTime(0, now + seconds)
    source.buffer = buffer
    source.connect(ends).connect(loudness as GainNode)
    source.start(now, Math.max(0, Math.min(from, buffer.duration - seconds)), seconds)
  }

  function tone(context: AudioContext) {
    const buffer = context.createBuffer(1, 0.05 * sampleRate, sampleRate)
    beep(buffer.getChannelData(0), 0, 1760)
    return buffer
  }

  function stop() {
    for (const s of sources) s.stop()
    sources = []
  }

  function close() {
    clearTimeout(resting)
    return audio?.close()
  }

  watch(muted, (m) => {
    if (loudness) loudness.gain.value = m ? 0 : 1
  })

  return { muted, clock, start, stop, touch, close }
}

// beep adds a short tone of a pitch in Hz from a sample on.
export function beep(out: Float32Array, from: number, pitch: number) {
  for (let i = 0; i < 0.05 * sampleRate && from + i < out.length; i++)
    out[from + i] += 0.4 * Math.exp(-i / (0.008 * sampleRate)) * Math.sin((2 * Math.PI * pitch * i) / sampleRate)
}
