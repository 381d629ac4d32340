import { computed } from 'vue'
import { useDesk } from '../stores/desk'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'
import type { Command, Ease, Key, KeyRef } from '../types'
import { easings, listed } from '../words'
import { laneName } from './beatline'

const same = (a: KeyRef, b: KeyRef) => a.layer === b.layer && a.property === b.property && a.frame === b.frame

// kindsOf counts keys by what they are of: "3 keys of position".
export function kindsOf(keys: KeyRef[]): string[] {
  const count = new Map<string, number>()
  for (const k of keys) count.set(laneName(k.property), (count.get(laneName(k.property)) ?? 0) + 1)
  return [...count].map(([p, n]) => `${n} ${n === 1 ? 'key' : 'keys'} of ${p.toLowerCase()}`)
}

// useKeys is what can be done with the keys that are selected.
export function useKeys() {
  const editor = useEditor()
  const desk = useDesk()
  const notices = useNotices()

  const count = computed(() => editor.keys.length)
  const frames = computed(() => editor.keys.map((k) => k.frame))
  const first = computed(() => Math.min(...frames.value))
  const last = computed(() => Math.max(...frames.value))

  const isSelected = (k: KeyRef) => editor.keys.some((x) => same(x, k))

  // toggle takes what one bead stands for in, or out.
  function toggle(list: KeyRef[]) {
    const others = editor.keys.filter((x) => !list.some((k) => same(x, k)))
    editor.keys = list.every(isSelected) ? others : [...others, ...list]
  }

  // bead finds what the Beatline shows of a key, key what the clip says.
  function bead(k: KeyRef) {
    return editor.view.rows
      .find((r) => r.layer === k.layer)
      ?.tracks.find((t) => t.property === k.property)
      ?.beads.find((b) => b.frame === k.frame)
  }

  function key(k: KeyRef): Key | undefined {
    const beads = editor.view.rows
      .find((r) => r.layer === k.layer)
      ?.tracks.find((t) => t.property === k.property)?.beads
    const i = beads?.findIndex((b) => b.frame === k.frame) ?? -1
    const tracks = k.layer === '@light' ? editor.clip?.light.tracks : editor.layers.get(k.layer)?.tracks
    return tracks?.[k.property]?.[i]
  }

  // fromHere selects all keys of the chosen layers from the playhead on.
  function fromHere() {
    const layers = new Set(editor.chosen)
    const all = editor.view.rows
      .filter((r) => layers.has(r.layer))
      .flatMap((r) =>
        r.tracks.flatMap((t) =>
          t.beads
            .filter((b) => b.frame >= editor.frame)
            .map((b) => ({ layer: r.layer, property: t.property, frame: b.frame }))
        )
      )
    editor.keys = all
    if (!all.length) notices.say('The chosen layers have no keys from here on')
  }

  const move = (by: number) => editor.run({ type: 'moveKeys', keys: editor.keys, by })
  const stretch = (factor: number, anchor = first.value) =>
    editor.run({ type: 'stretchKeys', keys: editor.keys, anchor, factor })
  const reverse = () => editor.run({ type: 'reverseKeys', keys: editor.keys })
  const snap = (to: string) => editor.run({ type: 'snapKeys', keys: editor.keys, to })

  function copy() {
    desk.copied = editor.keys.flatMap((k) => {
      const found = key(k)
      return found ? [{ property: k.property, after: k.frame - first.value, key: found }] : []
    })
    desk.motionOf = ''
    if (desk.copied.length) notices.say(`${desk.copied.length} keys copied`)
  }

  // paste puts the copied keys on all chosen layers, at the playhead.
  async function paste() {
    if (!desk.copied.length || !editor.chosen.length) return
    const at = editor.frame
    const done = await editor.runAll(
      editor.chosen.map((layer) => ({ type: 'pasteKeys', layer, at, keys: desk.copied }))
    )
    if (done)
      editor.keys = editor.chosen
        .flatMap((layer) => desk.copied.map((c) => ({ layer, property: c.property, frame: at + c.after })))
        .filter((k) => bead(k))
  }

  // duplicate copies the selected keys to the playhead, each on its own layer.
  function duplicate() {
    const start = first.value
    const commands = [...new Set(editor.keys.map((k) => k.layer))].map((layer): Command => ({
      type: 'pasteKeys',
      layer,
      at: editor.frame,
      keys: editor.keys
        .filter((k) => k.layer === layer)
        .flatMap((k) => {
          const found = key(k)
          return found ? [{ property: k.property, after: k.frame - start, key: found }] : []
        })
    }))
    return editor.runAll(commands)
  }

  function remove() {
    const keys = editor.keys
    editor.keys = []
    return editor.run({ type: 'removeKeys', keys })
  }

  // ease says what was changed where that is more than one kind of keys.
  async function ease(e: Ease, keys = editor.keys) {
    const said = kindsOf(keys)
    if ((await editor.run({ type: 'setEase', keys, ease: e })) && said.length > 1)
      notices.say(`${easings.find((x) => x.id === e.kind)?.name}: ${listed(said)}`)
  }

  // hold keeps the chosen layers as they were at their last keys, up to here.
  function hold() {
    return editor.runAll(
      editor.chosen
        .filter((l) => Object.keys(editor.layers.get(l)?.tracks ?? {}).length)
        .map((layer) => ({ type: 'holdUntil', layer, frame: editor.frame }))
    )
  }

  // place puts the first of the keys where a person wrote, the others with it.
  async function place(text: string) {
    try {
      const { moment, frame } = await editor.ask('moment', text)
      const by = frame - first.value
      if (count.value === 1) await editor.run({ type: 'bindKey', key: editor.keys[0], to: moment })
      else await move(by)
    } catch (e) {
      notices.fail(e)
    }
  }

  return {
    count,
    first,
    last,
    isSelected,
    toggle,
    bead,
    key,
    fromHere,
    move,
    stretch,
    reverse,
    snap,
    copy,
    paste,
    duplicate,
    remove,
    ease,
    hold,
    place
  }
}
