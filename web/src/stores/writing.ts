import { until } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import type { Caret, Letters, Layer, Look, Words, WordsChange, Written } from '../types'
import { useEditor } from './editor'
import { useNotices } from './notices'

// Where a text and what it has become differ, in whole letters. What lies behind
// the caret is the same; caret, from and to are counted as the browser counts.
function difference(letters: string[], now: string, caret: number) {
  let end = letters.length
  let tail = now.length
  while (end > 0 && tail - letters[end - 1].length >= caret && now.slice(0, tail).endsWith(letters[end - 1]))
    tail -= letters[--end].length
  let from = 0
  let head = 0
  while (from < end && head + letters[from].length <= tail && now.startsWith(letters[from], head))
    head += letters[from++].length
  return { from, to: end, with: now.slice(head, tail) }
}

let stretches = 0

// Words that are written in the picture: which layer, where the caret is, what is
// selected. What letters are, and what becomes of them, comes from the engine.
export const useWriting = defineStore('writing', () => {
  const editor = useEditor()
  const notices = useNotices()
  const layer = ref('')
  const words = shallowRef<Words | null>(null)
  const letters = shallowRef<string[]>([])
  const from = ref(0) // the selection, in letters
  const to = ref(0)
  const look = shallowRef<Look | null>(null) // how the selected letters are
  const word = shallowRef<[number, number]>([0, 0]) // the word about the caret
  const carets = shallowRef<Caret[]>([])
  const opening = ref(false)
  let early = ''
  let ending = false
  let done = false // it was ended before it was open
  let stretch = ''
  let typed: { text: string; caret: number } | null = null // what the field has, while it is being taken
  const taking = ref(false)

  const plain = computed(() => letters.value.join(''))
  const offsets = computed(() => letters.value.reduce((all, l) => [...all, all[all.length - 1] + l.length], [0]))
  // letterAt is the letter that begins at or before a place in the plain text.
  const letterAt = (offset: number) => offsets.value.filter((o) => o <= offset).length - 1

  // read asks for the letters and what is selected, and where they are in the
  // picture. Only the newest answer counts.
  let reading = 0
  async function read() {
    if (!words.value) return
    const mine = ++reading
    const got = await editor.ask('letters', { words: words.value, from: from.value, to: to.value })
    if (reading === mine && !taking.value) have(got)
    await locate()
  }

  function have(got: Letters) {
    letters.value = got.letters
    look.value = got.look
    word.value = got.word as [number, number]
    from.value = Math.min(from.value, letters.value.length)
    to.value = Math.min(to.value, letters.value.length)
  }

  async function locate() {
    const mine = layer.value
    if (!mine) return
    const got = await editor.ask('carets', { shape: editor.shape, frame: editor.frame, layer: mine })
    if (layer.value === mine) carets.value = got
  }

  // nearest is the place between letters that is nearest to a point of the frame.
  function nearest(p: [number, number]) {
    const away = (c: Caret) => {
      const [x, y] = [c.foot[0] - c.head[0], c.foot[1] - c.head[1]]
      const along = ((p[0] - c.head[0]) * x + (p[1] - c.head[1]) * y) / (x * x + y * y || 1)
      const t = Math.max(0, Math.min(1, along))
      return Math.hypot(p[0] - c.head[0] - t * x, p[1] - c.head[1] - t * y)
    }
    const all = carets.value.map(away)
    return Math.max(0, all.indexOf(Math.min(...all)))
  }

  // begin opens a layer's words if they are to be seen: with the word at a point
  // selected, or all of them. What is typed until it is open is written over them.
  async function begin(l: Layer, point?: [number, number]) {
    if (!l.words || l.locked) return false
    await until(taking).toBe(false)
    end()
    soon()
    try {
      const at = await editor.ask('carets', { shape: editor.shape, frame: editor.frame, layer: l.id })
      if (!at.length) {
        notices.say(`${l.name} does not show on this frame; go to where it does to write in it`)
        return false
      }
      carets.value = at
      let [a, b] = [0, at.length - 1]
      if (point) {
        const place = nearest(point)
        const there = await editor.ask('letters', { words: l.words, from: place, to: place })
        ;[a, b] = there.word
      }
      const got = await editor.ask('letters', { words: l.words, from: a, to: b })
      if (editor.selected !== l.id || editor.chosen.length > 1) editor.select(l.id)
      editor.keys = []
      words.value = l.words
      from.value = a
      to.value = b
      letters.value = got.letters
      have(got)
      stretch = `writing-${++stretches}`
      layer.value = l.id
      while (early) {
        const more = early
        early = ''
        const [head, tail] = [offsets.value[from.value], offsets.value[to.value]]
        await type(plain.value.slice(0, head) + more + plain.value.slice(tail), head + more.length)
      }
      if (done) end()
      return true
    } finally {
      opening.value = false
    }
  }

  // soon says that words will be opened: what is typed from now on is meant for them.
  function soon() {
    if (!opening.value) {
      early = ''
      done = false
    }
    opening.value = true
  }

  // wait keeps what is typed while words are being opened.
  function wait(e: KeyboardEvent) {
    const control = e.ctrlKey || e.metaKey
    if (done) return
    if (e.key.length === 1 && !control) early += e.key
    else if (e.key === 'Enter' && control) done = true
    else if (e.key === 'Enter') early += '\n'
  }

  // end closes the words, once all that was typed is taken.
  function end() {
    if (!layer.value) return
    ending = taking.value
    if (ending) return
    editor.typing.settle()
    layer.value = ''
    words.value = null
    letters.value = []
    carets.value = []
    typed = null
    ending = false
  }

  // takeBack ends it and undoes what was written.
  async function takeBack() {
    const mine = stretch
    typed = null
    await until(taking).toBe(false)
    end()
    await editor.typing.forget(mine)
  }

  function put({ text, accents }: Written) {
    reading++
    words.value = { ...(words.value as Words), text, accents }
    const set = { words: { text, accents } }
    editor.typing.within(stretch, false, () => void editor.run({ type: 'setLayer', layer: layer.value, set }))
  }

  // type takes what a field has after a person typed in it; caret is where the
  // browser counts it. What comes meanwhile is taken next.
  async function type(text: string, caret: number) {
    typed = { text, caret }
    if (taking.value) return
    taking.value = true
    try {
      while (typed && words.value) {
        const now = typed
        typed = null
        const mine = layer.value
        const got = await editor.ask('write', { words: words.value, ...difference(letters.value, now.text, now.caret) })
        if (layer.value !== mine) return
        put(got)
        from.value = to.value = got.caret
        have(got)
      }
    } catch (e) {
      notices.fail(e)
    } finally {
      taking.value = false
      if (ending) end()
    }
  }

  // style changes the selected letters, or the word about the caret; where there
  // is none, all of them.
  async function style(change: WordsChange) {
    if (!words.value) return
    let [a, b] = from.value < to.value ? [from.value, to.value] : word.value
    if (a === b) [a, b] = [0, letters.value.length]
    try {
      const got = await editor.ask('style', { words: words.value, from: a, to: b, change })
      put(got)
      have(got)
      await locate()
    } catch (e) {
      notices.fail(e)
    }
  }

  function select(a: number, b: number) {
    from.value = Math.max(0, Math.min(a, b))
    to.value = Math.min(letters.value.length, Math.max(a, b))
    read().catch(notices.fail)
  }

  // What changes elsewhere is followed: by undo, in the settings, by someone else.
  watch(
    () => editor.version,
    () => {
      const now = editor.layers.get(layer.value)?.words
      if (!layer.value) return
      if (!now) return end()
      const mine = words.value as Words
      const other = now.text !== mine.text || JSON.stringify(now.accents ?? []) !== JSON.stringify(mine.accents ?? [])
      if (!taking.value && !editor.typing.waits.value && other) words.value = now
      else words.value = { ...now, text: mine.text, accents: mine.accents }
      read().catch(() => undefined)
    }
  )
  watch(
    () => [editor.frame, editor.shape],
    () => locate().catch(() => undefined)
  )
  watch(
    () => [editor.selected, editor.playing],
    () => (editor.selected !== layer.value || editor.playing) && end()
  )

  return {
    layer,
    words,
    letters,
    plain,
    offsets,
    letterAt,
    from,
    to,
    look,
    word,
    taking,
    opening,
    soon,
    wait,
    carets,
    nearest,
    begin,
    end,
    takeBack,
    type,
    style,
    select
  }
})
