import { onBeforeUnmount, ref, watch } from 'vue'
import { api } from '../api'
import { put, type Drawn } from '../engine/painters'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'

// How sharp the picture is while playing, as a share of its size. It goes down
// rather than stutter.
const sharpness = [1, 0.75, 0.5, 0.35]

// usePlayer plays picture and sound together in a loop. The sound's clock
// leads; frames are drawn ahead by all painters.
export function usePlayer(canvas: () => HTMLCanvasElement | null, size: () => { w: number; h: number }) {
  const editor = useEditor()
  const notices = useNotices()
  const playing = ref(false)
  const muted = ref(false)
  const fps = ref(0)
  let audio: AudioContext | null = null
  let gain: GainNode | null = null
  let source: AudioBufferSourceNode | null = null
  let mixed: { key: string; buffer: AudioBuffer } | null = null
  let origin = 0 // of the clock, seconds, where frame 0 was
  let level = 0
  let ready = new Map<number, Drawn>()
  let asked = new Set<number>()
  let round = 0

  const rate = () => editor.clip?.rate ?? 30
  // What is looped: the range, or the whole clip.
  const span = (): [number, number] => editor.view.range ?? [0, editor.clip?.length ?? 1]
  const looped = (n: number) => {
    const [from, to] = span()
    return from + ((((n - from) % (to - from)) + to - from) % (to - from))
  }
  const clock = () => (audio && source ? audio.currentTime - (audio.outputLatency || 0) : performance.now() / 1000)

  async function sound(): Promise<AudioBuffer | null> {
    const clip = editor.clip
    const prop = clip?.props.find((p) => p.id === clip.tune?.prop)
    if (!clip?.tune || !prop) return null
    const key = JSON.stringify([prop.hash, clip.tune, clip.length, clip.rate])
    if (mixed?.key === key) return mixed.buffer
    const pcm = await api.bytes(`/api/files/${prop.hash}/sound`)
    const bytes = await editor.ask<Uint8Array>('mix', null, pcm)
    const all = new Float32Array(bytes.buffer as ArrayBuffer, bytes.byteOffset, bytes.byteLength / 4)
    const half = all.length / 2
    const buffer = (audio as AudioContext).createBuffer(2, half, 48000)
    buffer.copyToChannel(all.subarray(0, half), 0)
    buffer.copyToChannel(all.subarray(half), 1)
    mixed = { key, buffer }
    return buffer
  }

  async function play() {
    if (playing.value) return
    audio ??= new AudioContext({ sampleRate: 48000, latencyHint: 'interactive' })
    gain ??= audio.createGain()
    gain.connect(audio.destination)
    playing.value = true
    round++
    const [from, to] = span()
    if (editor.frame < from || editor.frame >= to) editor.frame = from
    try {
      await audio.resume()
      const buffer = await sound()
      if (!playing.value) return
      if (buffer) startSound(buffer)
    } catch (e) {
      notices.fail(e)
    }
    origin = clock() - editor.frame / rate()
    ready = new Map()
    asked = new Set()
    level = 0
    run(round)
  }

  function startSound(buffer: AudioBuffer) {
    source = (audio as AudioContext).createBufferSource()
    source.buffer = buffer
    source.loop = true
    const [from, to] = span()
    source.loopStart = from / rate()
    source.loopEnd = to / rate()
    source.connect(gain as GainNode)
    source.start(0, editor.frame / rate())
  }

  function stop() {
    if (!playing.value) return
    playing.value = false
    source?.stop()
    source = null
    editor.go(editor.frame)
  }

  function run(mine: number) {
    let shown = -1
    let count = 0
    let missed = 0
    let since = performance.now()
    const tick = () => {
      if (!playing.value || mine !== round) return
      const now = Math.floor((clock() - origin) * rate())
      const next = nearest(now)
      if (next !== undefined && next > shown) {
        const target = canvas()
        if (target) put(target, ready.get(next) as Drawn)
        shown = next
        count++
        editor.frame = looped(next)
        if (target) target.dataset.frame = String(editor.frame)
      } else if (now > shown) missed++
      for (const n of ready.keys()) if (n <= shown) ready.delete(n)
      ask(now, mine)
      if (performance.now() - since > 1000) {
        fps.value = Math.round((count * 1000) / (performance.now() - since))
        adapt(count, missed)
        count = 0
        missed = 0
        since = performance.now()
      }
      requestAnimationFrame(tick)
    }
    requestAnimationFrame(tick)
  }

  // nearest is the newest drawn frame that is due.
  function nearest(now: number) {
    let best: number | undefined
    for (const n of ready.keys()) if (n <= now && (best === undefined || n > best)) best = n
    return best
  }

  function adapt(shown: number, missed: number) {
    const wanted = Math.min(rate(), 60)
    if (shown < wanted * 0.85 && missed > 3 && level < sharpness.length - 1) level++
    else if (shown >= wanted * 0.98 && missed === 0 && level > 0) level--
  }

  // ask keeps every painter busy with the frames that come next.
  function ask(now: number, mine: number) {
    const pool = editor.drawing()
    const { w, h } = size()
    const k = sharpness[level]
    let n = now + 1
    pool.engines.forEach((engine, i) => {
      while (engine.pending < 2 && n < now + 10) {
        while (asked.has(n)) n++
        if (n >= now + 10) return
        const wish = n
        asked.add(wish)
        const frame = looped(wish)
        pool
          .draw(i, editor.shape, Math.max(2, Math.round(w * k)), Math.max(2, Math.round(h * k)), frame)
          .then((d) => mine === round && ready.set(wish, d))
          .catch(() => asked.delete(wish))
      }
    })
    for (const a of asked) if (a < now - 20) asked.delete(a)
  }

  watch(muted, (m) => {
    if (gain) gain.gain.value = m ? 0 : 1
  })
  // A change of the clip while it plays: go on from here with the new one.
  watch(
    () => editor.version,
    () => {
      ready = new Map()
      asked = new Set()
    }
  )
  onBeforeUnmount(() => {
    stop()
    audio?.close()
  })

  return {
    playing,
    muted,
    fps,
    play,
    stop,
    toggle: () => (playing.value ? stop() : play()),
    toggleSound: () => (muted.value = !muted.value)
  }
}
