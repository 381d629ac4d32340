import { onBeforeUnmount, ref, watch } from 'vue'
import { put, type Drawn } from '../engine/painters'
import { useDesk } from '../stores/desk'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'
import { useSound } from './useSound'

// How sharp the picture is while playing, as a share of its size. It goes down
// rather than stutter.
const sharpness = [1, 0.75, 0.5, 0.35]

// usePlayer plays picture and sound together in a loop. The sound's clock
// leads; frames are drawn ahead by all painters.
export function usePlayer(canvas: () => HTMLCanvasElement | null, size: () => { w: number; h: number }) {
  const editor = useEditor()
  const desk = useDesk()
  const notices = useNotices()
  const playing = ref(false)
  const fps = ref(0)
  let origin = 0 // of the clock, seconds, where frame 0 was
  let level = 0
  let ready = new Map<number, Drawn>()
  let asked = new Set<number>()
  let round = 0

  const rate = () => editor.clip?.rate ?? 30
  // What is looped: the range, or the whole clip.
  const span = (): [number, number] => editor.view.range ?? [0, editor.view.length]
  const looped = (n: number) => {
    const [from, to] = span()
    return from + ((((n - from) % (to - from)) + to - from) % (to - from))
  }
  const sound = useSound(span)

  async function play() {
    if (playing.value) return
    playing.value = editor.playing = true
    const mine = ++round
    const [from, to] = span()
    if (editor.frame < from || editor.frame >= to) editor.frame = from
    try {
      const begin = await sound.start()
      if (!playing.value || mine !== round) return
      begin()
    } catch (e) {
      notices.fail(e)
    }
    origin = sound.clock() - editor.frame / rate()
    ready = new Map()
    asked = new Set()
    level = 0
    run(mine)
  }

  function stop() {
    if (!playing.value) return
    playing.value = editor.playing = false
    sound.stop()
    editor.go(editor.frame)
  }

  function run(mine: number) {
    let shown = -1
    let count = 0
    let missed = 0
    let since = performance.now()
    const tick = () => {
      if (!playing.value || mine !== round) return
      const now = Math.floor((sound.clock() - origin) * rate())
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
      if (!pool.knows(i)) return
      while (engine.pending < 2 && n < now + 10) {
        while (asked.has(n)) n++
        if (n >= now + 10) return
        const wish = n
        asked.add(wish)
        const frame = looped(wish)
        const version = editor.version
        pool
          .draw(i, editor.shape, Math.max(2, Math.round(w * k)), Math.max(2, Math.round(h * k)), frame)
          // What was asked for before a change shows the clip as it was.
          .then((d) => mine === round && version === editor.version && ready.set(wish, d))
          .catch(() => asked.delete(wish))
      }
    })
    for (const a of asked) if (a < now - 20) asked.delete(a)
  }

  // A change of the clip while it plays: go on from here with the new one.
  watch(
    () => editor.version,
    () => {
      ready = new Map()
      asked = new Set()
    }
  )
  // What is heard changes while it plays: go on from here with the new sound.
  const heard = () => {
    const c = editor.clip
    return playing.value && c
      ? JSON.stringify([c.sounds, c.loudness, editor.view.length, c.rate, editor.view.range, desk.clicks && c.tempo])
      : ''
  }
  watch(heard, (now, before) => {
    if (!now || !before) return
    stop()
    play()
  })
  onBeforeUnmount(() => {
    stop()
    sound.close()
  })

  return {
    playing,
    muted: sound.muted,
    fps,
    play,
    stop,
    toggle: () => (playing.value ? stop() : play()),
    touch: sound.touch,
    toggleSound: () => (sound.muted.value = !sound.muted.value)
  }
}
