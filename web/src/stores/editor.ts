import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { api } from '../api'
import { Engine } from '../engine/engine'
import { Painters } from '../engine/painters'
import { Problem, type Clip, type Command, type KeyRef, type Layer, type Place, type View } from '../types'
import { useNotices } from './notices'
import { Outbox } from './outbox'

const emptyView: View = { length: 1, timecode: '', beats: [], hits: [], wave: [], rows: [] }

// The clip that is open: its state comes from the engine alone. Every change is
// a command; the same command goes to the server.
export const useEditor = defineStore('editor', () => {
  const notices = useNotices()
  const id = ref('')
  const clip = shallowRef<Clip | null>(null)
  const view = shallowRef<View>(emptyView)
  const places = shallowRef<{ w: number; h: number; places: Place[] }>({ w: 1000, h: 1000, places: [] })
  const shape = ref('')
  const frame = ref(0)
  const selected = ref('')
  const keys = shallowRef<KeyRef[]>([])
  const version = ref(0) // counts what is shown, so that pictures follow
  const past = shallowRef<Clip[]>([])
  const future = shallowRef<Clip[]>([])
  const outbox = shallowRef<Outbox | null>(null)

  let edit: Engine
  let painters: Painters
  let kept: Clip
  let queue: Promise<unknown> = Promise.resolve()
  let preview: Command | null = null
  let previewing = false

  const layer = computed(() => clip.value?.layers.find((l) => l.id === selected.value))
  const home = computed(() => clip.value?.shapes[0].id ?? '')
  const shapeNow = computed(() => clip.value?.shapes.find((s) => s.id === shape.value) ?? clip.value?.shapes[0])

  function crashed(reason: string) {
    notices.say(`The engine stopped and was started again (${reason}). Nothing was lost.`, 'problem')
    version.value++
  }

  async function open(clipId: string) {
    close()
    edit = new Engine(crashed, async (e) => void (await e.call('open', kept)))
    painters = new Painters(2, crashed)
    const got = await api.clip(clipId)
    id.value = clipId
    kept = got.clip
    await edit.call('open', kept)
    shape.value = kept.shapes[0].id
    frame.value = 0
    const box = new Outbox(clipId, got.revision, catchUp, refused)
    outbox.value = box
    const left = box.leftover()
    if (left.length) await replay(left)
    await settle(kept)
    if (left.length) {
      notices.say('Changes that had not reached the server were sent again')
      box.flush()
    }
  }

  function close() {
    outbox.value?.stop()
    edit?.stop()
    painters?.stop()
    clip.value = null
    view.value = emptyView
    past.value = []
    future.value = []
    keys.value = []
    selected.value = ''
  }

  // catchUp takes the server's clip and puts our unacknowledged commands on top;
  // those that no longer fit are dropped and said.
  async function catchUp(left: Command[]): Promise<Command[]> {
    const got = await api.clip(id.value)
    if (outbox.value) outbox.value.revision = got.revision
    await edit.call('open', got.clip)
    kept = got.clip
    const fit = await replay(left)
    await settle(kept)
    notices.say('The clip was changed elsewhere; the page has caught up', 'done')
    return fit
  }

  async function replay(left: Command[]): Promise<Command[]> {
    const fit: Command[] = []
    for (const command of left) {
      try {
        kept = await edit.call<Clip>('apply', { command, keep: true })
        fit.push(command)
      } catch (e) {
        notices.fail(e)
      }
    }
    return fit
  }

  async function refused(p: Problem) {
    notices.say(`The server refused a change: ${p.message}`, 'problem')
    await catchUp([])
  }

  // settle shows a clip everywhere: the picture first, since that is waited for.
  async function settle(c: Clip) {
    clip.value = c
    if (!c.shapes.some((s) => s.id === shape.value)) shape.value = c.shapes[0].id
    if (frame.value >= c.length) frame.value = c.length - 1
    const shown = painters.show(c).then(() => version.value++, notices.fail)
    const [seen] = await Promise.all([edit.call<View>('view', { shape: shape.value }), look()])
    view.value = seen
    await shown
  }

  async function look() {
    places.value = await edit.call('places', { shape: shape.value, frame: frame.value })
  }

  // inOrder runs one thing after another, so that commands never overtake.
  function inOrder<T>(f: () => Promise<T>): Promise<T> {
    const next = queue.then(f, f)
    queue = next.catch(() => undefined)
    return next
  }

  // run applies a command for good: one undo step.
  function run(command: Command): Promise<boolean> {
    preview = null
    return inOrder(async () => {
      try {
        const before = kept
        kept = await edit.call<Clip>('apply', { command, keep: true })
        past.value = [...past.value.slice(-199), before]
        future.value = []
        outbox.value?.add(command)
        await settle(kept)
        return true
      } catch (e) {
        notices.fail(e)
        kept = await edit.call<Clip>('apply', { keep: false })
        await settle(kept)
        return false
      }
    })
  }

  // show applies a command only to what is seen, as while dragging. The newest
  // wins; what the engine refuses is simply not shown.
  function show(command: Command) {
    preview = command
    if (previewing) return
    previewing = true
    inOrder(async () => {
      while (preview) {
        const now = preview
        preview = null
        try {
          await settle(await edit.call<Clip>('apply', { command: now, keep: false }))
        } catch {
          // The pointer is where nothing valid is; it will move on.
        }
      }
      previewing = false
    })
  }

  // revert shows the clip as it is kept.
  function revert() {
    preview = null
    inOrder(async () => settle(await edit.call<Clip>('apply', { keep: false })))
  }

  async function step(from: typeof past, to: typeof past) {
    const target = from.value.at(-1)
    if (!target) return
    preview = null
    await inOrder(async () => {
      from.value = from.value.slice(0, -1)
      to.value = [...to.value, kept]
      const command = { type: 'replace', clip: target }
      kept = await edit.call<Clip>('apply', { command, keep: true })
      outbox.value?.add(command)
      keys.value = []
      await settle(kept)
    }).catch(notices.fail)
  }

  const undo = () => step(past, future)
  const redo = () => step(future, past)

  async function restore(revision: number) {
    const box = outbox.value
    if (!box) return
    await box.flush()
    try {
      await api.restore(id.value, revision, box.revision)
      past.value = [...past.value, kept]
      await inOrder(() => catchUp([]))
    } catch (e) {
      notices.fail(e)
    }
  }

  async function go(to: number) {
    frame.value = Math.max(0, Math.min((clip.value?.length ?? 1) - 1, Math.round(to)))
    await look().catch(() => undefined)
  }

  async function choose(s: string) {
    shape.value = s
    await inOrder(() => settle(clip.value ?? kept))
  }

  function ask<T>(method: string, arg: unknown, bytes?: Uint8Array) {
    return edit.call<T>(method, arg, bytes)
  }

  async function addLayer(kind: Layer['kind'], extra: Record<string, unknown> = {}, first: Command[] = []) {
    const draft = await ask<Layer>('draft', { kind, ...extra })
    const at = kind === 'backdrop' ? 1 : undefined
    const add: Command = { type: 'addLayer', layer: draft, at }
    const done = await run(first.length ? { type: 'batch', commands: [...first, add] } : add)
    if (done) select(draft.id)
  }

  function select(layerId: string) {
    if (selected.value !== layerId) keys.value = []
    selected.value = layerId
  }

  return {
    id,
    clip,
    view,
    places,
    shape,
    frame,
    selected,
    keys,
    version,
    past,
    future,
    outbox,
    layer,
    home,
    shapeNow,
    open,
    close,
    run,
    show,
    revert,
    undo,
    redo,
    restore,
    go,
    choose,
    ask,
    addLayer,
    select,
    look,
    drawing: () => painters,
    engines: () => [edit, ...painters.engines]
  }
})
