import { watchDebounced } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, markRaw, ref, shallowRef, watch } from 'vue'
import { api } from '../api'
import { Engine } from '../engine/engine'
import { Painters } from '../engine/painters'
import {
  type Clip,
  type Command,
  type KeyRef,
  type Methods,
  type Places,
  type Variant,
  type Tune,
  type View
} from '../types'
import { listed } from '../words'
import { adding } from './adding'
import { choosing } from './choosing'
import { Delivery, type Part, type Step } from './delivery'
import { engineNews } from './engineNews'
import { keepClip } from './keeper'
import { live } from './live'
import { loneVariant } from './loneVariant'
import { useNotices } from './notices'
import { openScene } from './openScene'
import { newId, Outbox } from './outbox'
import { emptyView, over, type Shown } from './shown'
import { keepSteps, keptSteps } from './steps'
import { Typing } from './typing'

// The clip that is open: its state comes from the engine alone. Every change is
// a command; the same command goes to the server.
export const useEditor = defineStore('editor', () => {
  const notices = useNotices()
  const id = ref('')
  const clip = shallowRef<Clip | null>(null)
  const view = shallowRef<View>(emptyView)
  const places = shallowRef<Places>({ w: 1000, h: 1000, safe: 0.9, places: [], values: {} })
  const shape = ref('')
  const frame = ref(0)
  const selected = ref('') // the layer whose settings are shown
  const chosen = shallowRef<string[]>([]) // all layers that are chosen, selected among them
  const opened = shallowRef<string[]>([]) // rows that stay open
  const solo = shallowRef<string[]>([])
  const keys = shallowRef<KeyRef[]>([])
  const version = ref(0) // counts what is shown, so that pictures follow
  const proofed = ref(0) // the version that the proofs may show
  const past = shallowRef<Step[]>([])
  const future = shallowRef<Step[]>([])
  const outbox = shallowRef<Outbox | null>(null)

  const { variant, wrapped } = loneVariant()

  let edit: Engine
  let painters: Painters
  let kept: Shown
  let queue: Promise<unknown> = Promise.resolve()
  let preview: Command | null = null
  let previewing = false
  let gone = false // the playhead has been moved since the clip was opened
  let seen: Command | null = null // what is shown of a drag at the moment
  let delivery: Delivery
  let deaf: () => void = () => undefined

  watch([past, future], () => outbox.value && keepSteps(id.value, { past: past.value, future: future.value }))

  const layers = computed(() => new Map((clip.value?.layers ?? []).map((l) => [l.id, l])))
  const layer = computed(() => layers.value.get(selected.value))
  // The tune, the first of the clip's sounds, as it lies under the clip.
  const tune = computed((): Tune | undefined => {
    const t = clip.value?.sounds?.find((s) => s.id === 'tune')
    return t && { prop: t.prop, start: t.trim, gain: t.gain, fadeIn: t.fadeIn, fadeOut: t.fadeOut }
  })
  const home = computed(() => clip.value?.shapes[0].id ?? '')
  const shapeNow = computed(() => clip.value?.shapes.find((s) => s.id === shape.value) ?? clip.value?.shapes[0])
  const open_ = computed(() => [...new Set([selected.value, ...opened.value])].filter(Boolean))
  const playing = ref(false)
  const { scene, sceneNow } = openScene(frame, view, playing)
  const placeOf = (layerId: string) => places.value.places.find((p) => p.layer === layerId)

  function redraw(proofs = true) {
    version.value++
    if (proofs) proofed.value = version.value
  }

  const told = engineNews(redraw)

  async function open(clipId: string) {
    close()
    edit = new Engine(told, anew)
    edit.start()
    painters = new Painters(2, told)
    const got = await api.clip(clipId)
    id.value = clipId
    kept = { clip: got.clip, view: emptyView, needs: got.needs ?? [] }
    const shown = paint() // its pictures are read meanwhile
    shown.catch(() => undefined) // said when the clip is there
    await edit.call('open', got.clip)
    shape.value = got.clip.shapes[0].id
    frame.value = await edit.call('posterFrame', null)
    let isReady: () => void = () => undefined
    const ready = new Promise<void>((resolve) => (isReady = resolve))
    delivery = new Delivery({
      clip: clipId,
      notices,
      engine: () => edit,
      box: () => (outbox.value && id.value === clipId ? outbox.value : null),
      inOrder,
      moved,
      steps: (change) => {
        past.value = change(past.value)
        future.value = change(future.value)
      },
      done,
      again: (c) => ready.then(() => inOrder(() => take(c.command, c.id)))
    })
    // What is done is sent from the moment on in which the clip can be seen, also
    // while its pictures are still being read.
    const box = new Outbox(clipId, got.revision, delivery, got.kept)
    outbox.value = box
    const steps = keptSteps(clipId)
    past.value = steps.past
    future.value = steps.future
    await whole(shown)
    isReady()
    if (outbox.value !== box) return // another clip was opened meanwhile
    if (got.kept)
      notices.say(
        'The server does not answer. This is the clip as this browser keeps it; what you do is sent when it is back.',
        'problem'
      )
    deaf = live(
      clipId,
      (n) => n > box.revision && box.pull(),
      () => (box.hurry(), box.pull())
    )
  }

  // anew gives an engine that was started again the clip.
  async function anew(e: Engine) {
    if (!variant.value) return void (await e.call('reopen', kept.clip))
    await e.call('open', (await api.clip(id.value)).clip)
    await e.call('alone', { variant: variant.value })
  }

  function close() {
    deaf()
    variant.value = null
    typing.settle()
    outbox.value?.stop()
    outbox.value = null
    edit?.stop()
    painters?.stop()
    clip.value = null
    view.value = emptyView
    past.value = []
    future.value = []
    keys.value = []
    selected.value = ''
    chosen.value = []
    opened.value = []
    solo.value = []
    gone = false
  }

  // Once all is sent, the browser keeps the clip as the server has it.
  watchDebounced(
    [version, () => outbox.value?.waiting.value],
    () =>
      inOrder(async () => {
        const box = outbox.value
        if (box && !variant.value && !box.waiting.value && box.connection.value === 'on')
          await keepClip({ id: id.value, revision: box.revision, clip: kept.clip, needs: kept.needs })
      }),
    { debounce: 1200, maxWait: 10000 }
  )

  // moved shows the clip after it has changed beneath what was done here; a drag
  // goes on on top of it.
  async function moved() {
    keys.value = keys.value.filter((k) => kept.clip.layers.some((l) => l.id === k.layer))
    await whole()
    if (seen) show(seen)
  }

  // what the page looks at, for the engine's answers.
  const looking = () => ({
    shape: shape.value,
    frame: frame.value,
    open: open_.value,
    layer: selected.value,
    layers: chosen.value
  })

  // present shows a state. The painters have it when shown is done; without it
  // they are told otherwise.
  function present(state: Shown, at: Places, shown: Promise<unknown> | null) {
    clip.value = state.clip
    view.value = state.view
    places.value = at
    if (!state.clip.shapes.some((s) => s.id === shape.value)) shape.value = state.clip.shapes[0].id
    if (frame.value >= state.view.length) frame.value = state.view.length - 1
    const left = chosen.value.filter((l) => layers.value.has(l))
    if (left.length < chosen.value.length) chosen.value = left
    if (selected.value && !layers.value.has(selected.value)) selected.value = chosen.value[0] ?? ''
    return shown?.then(() => redraw(), notices.fail)
  }

  // paint gives the clip to the painters, of which the one for the proofs may come
  // later than the first.
  const paint = () => painters.show(kept, () => redraw())

  // whole reads everything anew, as after opening.
  async function whole(shown?: Promise<void>) {
    const a = await edit.call('apply', { keep: false, ...looking() })
    kept = over(kept, a)
    await present(kept, a.places, shown ?? paint())
  }

  // workOn lets one variant be worked on by itself, or with none the clip that all have.
  async function workOn(one: Variant | null) {
    await quiet()
    await inOrder(async () => {
      await edit.call('alone', { variant: one })
      variant.value = one
      selected.value = ''
      chosen.value = []
      keys.value = []
      if (one) shape.value = one.shape
      await whole()
    })
  }

  async function look() {
    places.value = await edit.call('places', looking())
  }

  // inOrder runs one thing after another, so that commands never overtake.
  function inOrder<T>(f: () => Promise<T>): Promise<T> {
    const next = queue.then(f, f)
    queue = next.catch(() => undefined)
    return next
  }

  // quiet waits until all that was done is kept, what is being typed included.
  function quiet() {
    typing.settle()
    return queue.then(() => undefined)
  }

  // done notes an undo step; what could be done again no longer can. What was
  // typed in one stretch is one step.
  function done(part: Part, stretch?: string) {
    const last = past.value.at(-1)
    if (part.undo.length && stretch && last?.stretch === stretch)
      past.value = [...past.value.slice(0, -1), { ...last, parts: [...last.parts, part] }]
    else if (part.undo.length) past.value = [...past.value.slice(-499), { parts: [part], stretch }]
    future.value = []
  }

  // take applies a command and keeps it; step takes it back. A layer that it makes
  // is chosen by the time that it is seen.
  async function take(command: Command, commandId = newId(), made = '') {
    const had = keys.value
    const at = made ? { ...looking(), layer: made, layers: [made] } : looking()
    const sent = wrapped(command)
    const a = await edit.call('apply', { command: sent, keep: true, id: commandId, keys: had, ...at })
    kept = over(kept, a)
    // What is selected stays so, wherever it is now.
    if (had.length && keys.value === had) keys.value = a.keys ?? []
    if (made) [selected.value, chosen.value, keys.value] = [made, [made], []]
    if (a.undo) outbox.value?.add({ id: commandId, command: sent })
    // What is undone of a variant, the painters do not know.
    const anew = variant.value && command.type === 'undo'
    await present(kept, a.places, anew ? paint() : painters.follow(kept, command, true))
    return { settled: a.settled, part: { id: commandId, undo: a.undo ?? [] } }
  }

  // keep applies a command for good and tells why it cannot.
  function keep(command: Command, stretch?: string, made?: string): Promise<unknown> {
    preview = seen = null
    return inOrder(async () => {
      await painters.settled()
      try {
        const { settled, part } = await take(command, newId(), made)
        if (settled) notices.say(`At this tempo not all fits: ${listed(settled)} moved to the nearest free frames`)
        done(part, stretch)
        return null
      } catch (e) {
        await back()
        return e
      }
    })
  }

  // run applies a command for good: one undo step. What a field asks for while
  // it is typed in is kept at the first pause. The layer that is made is chosen.
  async function run(command: Command, made?: string): Promise<boolean> {
    if (typing.takes(command)) return true
    typing.settle()
    const problem = await keep(command, undefined, made)
    if (problem) notices.fail(problem)
    return !problem
  }

  const typing = markRaw(
    new Typing({
      show,
      keep: async (command, stretch) => {
        const problem = await keep(command, stretch)
        return problem instanceof Error ? problem.message : problem ? String(problem) : ''
      },
      takeBack: async (stretch) => {
        revert()
        if (past.value.at(-1)?.stretch === stretch) await undo()
      }
    })
  )

  // runAll applies several commands as one undo step.
  const runAll = (commands: Command[]) =>
    commands.length === 1
      ? run(commands[0])
      : commands.length
        ? run({ type: 'batch', commands })
        : Promise.resolve(true)

  // show applies a command only to what is seen, as while dragging. The newest
  // wins; what the engine refuses is simply not shown. The Beatline and the
  // settings do not wait for the pictures, which follow as quickly as they can.
  function show(command: Command) {
    preview = seen = command
    if (previewing) return
    previewing = true
    inOrder(async () => {
      let pictures: Promise<unknown> = Promise.resolve()
      while (preview) {
        const now = preview
        preview = null
        pictures = painters.preview(now, redraw) // draws while the rest is worked out
        try {
          const a = await edit.call('apply', { command: wrapped(now), keep: false, ...looking() })
          const state = over(kept, a)
          present(state, a.places, null)
        } catch {
          // The pointer is where nothing valid is; it will move on.
        }
      }
      previewing = false
      await pictures
    })
  }

  // showPicture is show for what the Beatline itself shows already: only the
  // picture follows. No command is the clip as it is kept.
  function showPicture(command: Command | null) {
    preview = seen = null
    painters.preview(command ?? { type: 'batch', commands: [] }, redraw)
  }

  // back shows the clip as it is kept.
  async function back() {
    await painters.settled()
    await edit.call('follow', { keep: false })
    const at = await edit.call('places', looking())
    await present(kept, at, painters.follow(kept, null, false))
  }

  function revert() {
    preview = seen = null
    inOrder(back)
  }

  // step takes the last of one list back and remembers in the other how to do
  // it again. What someone else has changed since is left alone.
  async function step(from: typeof past, to: typeof past, kind?: 'again') {
    typing.settle()
    preview = seen = null
    await inOrder(async () => {
      const last = from.value.at(-1)
      if (!last) return
      from.value = from.value.slice(0, -1)
      keys.value = []
      const parts: Part[] = []
      try {
        for (const part of [...last.parts].reverse()) {
          const command: Command = { type: 'undo', changes: part.undo, kind }
          const stays = await edit.call('stays', command)
          parts.push((await take(command)).part)
          if (stays) delivery.stays(stays)
        }
      } finally {
        if (parts.length) to.value = [...to.value, { parts }]
      }
    }).catch(notices.fail)
  }

  const undo = () => step(past, future)
  const redo = () => step(future, past, 'again')
  const restore = (revision: number) => delivery.restore(revision, newId()).catch(notices.fail)

  async function go(to: number) {
    frame.value = Math.max(0, Math.min(view.value.length - 1, Math.round(to)))
    gone = true
    await look().catch(() => undefined)
  }

  function choose(s: string) {
    shape.value = s
    refresh()
  }

  function ask<M extends keyof Methods>(method: M, arg: Methods[M]['in'], bytes?: Uint8Array) {
    return edit.call(method, arg, bytes)
  }

  const { addLayer, copyLayer } = adding(
    frame,
    (draft) => ask('draft', draft),
    () => gone,
    run
  )

  // refresh asks for the rows that are open now.
  function refresh() {
    if (!clip.value) return
    inOrder(async () => {
      const wanted = looking()
      const [rows, at] = await Promise.all([edit.call('view', wanted), edit.call('places', wanted)])
      kept = { ...kept, view: rows }
      view.value = rows
      places.value = at
    }).catch(notices.fail)
  }

  const { select, selectAll, toggleOpen } = choosing(selected, chosen, opened, keys, refresh)

  async function setSolo(layers: string[]) {
    solo.value = layers
    await painters.alone(layers).catch(notices.fail)
    redraw()
  }

  return {
    id,
    clip,
    view,
    places,
    shape,
    frame,
    selected,
    chosen,
    opened,
    open_,
    solo,
    keys,
    version,
    proofed,
    playing,
    scene,
    sceneNow,
    past,
    future,
    outbox,
    variant,
    workOn,
    typing,
    layer,
    tune,
    home,
    shapeNow,
    layers,
    placeOf,
    open,
    close,
    run,
    runAll,
    show,
    showPicture,
    revert,
    undo,
    redo,
    restore,
    quiet,
    go,
    choose,
    ask,
    addLayer,
    copyLayer,
    select,
    selectAll,
    toggleOpen,
    setSolo,
    look,
    drawing: () => painters,
    engines: () => [edit, ...painters.engines]
  }
})
