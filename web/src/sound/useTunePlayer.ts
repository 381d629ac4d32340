import { onBeforeUnmount, ref, watch } from 'vue'
import { beep } from '../player/useSound'
import { useDesk } from '../stores/desk'
import { useNotices } from '../stores/notices'
import { useEditor } from '../stores/editor'
import type { Part } from '../types'
import type { Tune } from './useTune'

const sampleRate = 48000

// useTunePlayer lets the tune be heard by itself, in its own seconds: from the playhead on,
// a stretch again and again, with clicks on its beats, or the joins of a cut.
export function useTunePlayer(of: Tune) {
  const editor = useEditor()
  const desk = useDesk()
  const notices = useNotices()
  const playing = ref(false)
  const joining = ref(-1) // the join that is heard
  const at = ref(0) // second of the tune
  const loop = ref<Part | null>(null)
  let audio: AudioContext | null = null
  let sources: AudioBufferSourceNode[] = []
  let buffers: { of: Uint8Array; sound: AudioBuffer } | null = null
  let round = 0

  function context() {
    return (audio ??= new AudioContext({ sampleRate, latencyHint: 'interactive' }))
  }

  // sound is the tune's samples, as they are played.
  function sound() {
    const bytes = of.samples.value
    if (!bytes) return null
    if (buffers?.of === bytes) return buffers.sound
    const pcm = new Int16Array(bytes.buffer, bytes.byteOffset, bytes.byteLength / 2)
    const buffer = context().createBuffer(2, Math.max(1, pcm.length / 2), sampleRate)
    for (const c of [0, 1]) {
      const out = buffer.getChannelData(c)
      for (let i = 0; i < out.length; i++) out[i] = pcm[2 * i + c] / 32767
    }
    buffers = { of: bytes, sound: buffer }
    return buffer
  }

  // clicks is a short tone on every beat, a higher one where a bar begins.
  function clicks(length: number) {
    const buffer = context().createBuffer(1, length, sampleRate)
    const out = buffer.getChannelData(0)
    for (const b of of.tune.value?.beats ?? []) {
      beep(out, Math.round(b.at * sampleRate), b.down ? 1760 : 1174.66)
    }
    return buffer
  }

  function begin(buffer: AudioBuffer, from: number, part: Part | null) {
    const source = context().createBufferSource()
    source.buffer = buffer
    if (part) {
      source.loop = true
      source.loopStart = part.from
      source.loopEnd = part.to
    }
    source.connect(context().destination)
    source.start(0, from)
    sources.push(source)
  }

  async function play(from = at.value) {
    stop()
    const mine = ++round
    try {
      await context().resume()
      const buffer = sound()
      if (!buffer || mine !== round) return
      const part = loop.value
      const first = part && (from < part.from || from >= part.to) ? part.from : Math.min(from, buffer.duration - 0.01)
      begin(buffer, first, part)
      if (desk.clicks) begin(clicks(buffer.length), first, part)
      run(mine, context().currentTime - first, part, buffer.duration)
    } catch (e) {
      notices.fail(e)
    }
  }

  // run moves the playhead along with what is heard.
  function run(mine: number, origin: number, part: Part | null, end: number) {
    playing.value = true
    const tick = () => {
      if (mine !== round || !playing.value) return
      const now = context().currentTime - (context().outputLatency || 0) - origin
      if (!part && now >= end) return stop()
      at.value = Math.max(0, part && now >= part.to ? part.from + ((now - part.from) % (part.to - part.from)) : now)
      requestAnimationFrame(tick)
    }
    requestAnimationFrame(tick)
  }

  // join lets the end of one part of a cut and the beginning of the next be heard as they will be mixed.
  async function join(parts: Part[], tail: number, n: number) {
    stop()
    const mine = ++round
    const bytes = of.samples.value
    const tune = of.tune.value
    if (!bytes || !tune) return
    joining.value = n
    try {
      await context().resume()
      await editor.ask('sound', tune.prop, bytes)
      const raw = await editor.ask('hearCut', { parts, tail })
      if (mine !== round) return
      const all = new Float32Array(raw.buffer as ArrayBuffer, raw.byteOffset, raw.byteLength / 4)
      const length = all.length / 2
      const buffer = context().createBuffer(2, Math.max(1, length), sampleRate)
      buffer.copyToChannel(all.subarray(0, length), 0)
      buffer.copyToChannel(all.subarray(length), 1)
      const border = parts.slice(0, n + 1).reduce((sum, p) => sum + p.to - p.from, 0)
      const around = 240 / tune.bpm // four beats
      const source = context().createBufferSource()
      source.buffer = buffer
      source.connect(context().destination)
      source.onended = () => mine === round && stop()
      source.start(0, Math.max(0, border - around), 2 * around)
      sources.push(source)
    } catch (e) {
      stop()
      notices.fail(e)
    }
  }

  function stop() {
    round++
    for (const s of sources) {
      s.onended = null
      s.stop()
    }
    sources = []
    playing.value = false
    joining.value = -1
  }

  // seek puts the playhead somewhere; what plays goes on from there.
  function seek(second: number) {
    at.value = Math.max(0, Math.min(second, of.tune.value?.seconds ?? 0))
    if (playing.value) play()
  }

  // only lets a stretch be heard again and again, or all of it.
  function only(part: Part | null) {
    loop.value = part
    if (part && !playing.value) at.value = part.from
  }

  // hear plays a stretch from its beginning.
  function hear(part: Part) {
    loop.value = { ...part }
    play(part.from)
  }

  // What is looped, or clicks, changes while it plays: go on from here.
  watch([loop, () => desk.clicks], () => playing.value && play())

  onBeforeUnmount(() => {
    stop()
    audio?.close()
  })

  return {
    playing,
    joining,
    at,
    loop,
    play,
    stop,
    seek,
    only,
    hear,
    join,
    toggle: () => (playing.value ? stop() : play())
  }
}

export type TunePlayer = ReturnType<typeof useTunePlayer>
