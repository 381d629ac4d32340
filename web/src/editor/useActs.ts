import { useKeys } from '../beatline/useKeys'
import { useLayeredFile } from '../export/useLayeredFile'
import { usePlayhead } from '../player/usePlayhead'
import { useDesk } from '../stores/desk'
import { useEditor } from '../stores/editor'
import { handle } from '../tabletop/handle'
import { within } from '../tabletop/within'
import { useNotices } from '../stores/notices'
import { useWriting } from '../stores/writing'
import type { Command, Layer, Lining, Place } from '../types'
import { kindOf } from '../words'

// One thing that can be done with what is chosen, as menus show it.
export interface Act {
  id: string
  says: string
  icon: string
  keys?: string
  run: () => unknown
}

export const alignments: { how: Lining['how']; says: string; icon: string }[] = [
  { how: 'left', says: 'Left edges in a line', icon: 'align-start' },
  { how: 'centre', says: 'Middles above each other', icon: 'align-center' },
  { how: 'right', says: 'Right edges in a line', icon: 'align-end' },
  { how: 'top', says: 'Upper edges in a line', icon: 'align-top' },
  { how: 'middle', says: 'Middles beside each other', icon: 'align-middle' },
  { how: 'bottom', says: 'Lower edges in a line', icon: 'align-bottom' },
  { how: 'across', says: 'Equal gaps from left to right', icon: 'distribute-horizontal' },
  { how: 'down', says: 'Equal gaps from top to bottom', icon: 'distribute-vertical' }
]

// useActs is what can be done with the layers that are chosen; menus, the bar in
// the picture and keys do the same.
export function useActs() {
  const editor = useEditor()
  const desk = useDesk()
  const writing = useWriting()
  const keys = useKeys()
  const notices = useNotices()
  const layered = useLayeredFile()
  const { here } = usePlayhead()

  const placed = () =>
    editor.chosen
      .filter((l) => !kindOf(editor.layers.get(l)?.kind)?.fills)
      .map((l) => editor.placeOf(l))
      .filter((p): p is Place => !!p)

  // Keys may come sooner than it is known where a new layer is.
  async function nudge(dx: number, dy: number) {
    if (editor.chosen.some((l) => !editor.placeOf(l))) await editor.look()
    await editor.runAll(placed().map((p) => handle(p, { dx, dy })))
  }

  async function align(how: Lining['how']) {
    const layers = placed().map((p) => p.layer)
    const shifts = await editor.ask('align', { shape: editor.shape, frame: editor.frame, layers, how })
    const places = new Map(placed().map((p) => [p.layer, p]))
    return editor.runAll(
      shifts
        .filter((s) => Math.hypot(s.dx, s.dy) > 1e-6)
        .flatMap((s) => {
          const p = places.get(s.layer)
          if (!p) return []
          const [dx, dy] = within(p, s.dx, s.dy)
          return [handle(p, { dx, dy })]
        })
    )
  }

  // remove deletes the selected keys, or the chosen layers.
  function remove() {
    return editor.keys.length ? keys.remove() : removeLayers()
  }

  function removeLayers() {
    const commands: Command[] = editor.chosen
      .filter((l) => !editor.chosen.includes(editor.layers.get(l)?.group ?? ''))
      .map((layer) => ({ type: 'removeLayer', layer }))
    editor.select('')
    return editor.runAll(commands)
  }

  async function setKeys() {
    const commands: Command[] = []
    for (const layer of editor.chosen) {
      const tracks = editor.layers.get(layer)?.tracks ?? {}
      const places = tracks.x || tracks.y ? ['x', 'y'] : ['position']
      for (const property of [...places, 'scale', 'rotation']) {
        const key = await editor.ask('keyHere', { layer, property, frame: editor.frame })
        const place = editor.placeOf(layer)
        if (property === 'position' && !key.off && place) key.value = place.position
        commands.push({ type: 'setKey', layer, property, key })
      }
    }
    return editor.runAll(commands)
  }

  async function duplicate() {
    if (editor.keys.length) return keys.duplicate()
    if (editor.selected) await editor.copyLayer(editor.selected)
  }

  async function group() {
    const id = `group-${Date.now().toString(36)}`
    const layers = editor.chosen
    await editor.run({ type: 'groupLayers', layers, id, name: 'Group' }, id)
  }

  // rim is what the chosen layers can rise from behind: the next figure, cut-out or words beneath
  // them, beside them.
  function rim() {
    const all = editor.clip?.layers ?? []
    const lowest = Math.min(...editor.chosen.map((id) => all.findIndex((l) => l.id === id)))
    const beside = editor.layer?.group ?? ''
    return all
      .slice(0, Math.max(0, lowest))
      .filter((l) => (l.group ?? '') === beside && (l.card || l.cutout || l.words) && !kindOf(l.kind)?.fills)
      .at(-1)
  }

  async function rise(behind: string) {
    const id = `group-${Date.now().toString(36)}`
    await editor.run({ type: 'riseBehind', layers: [...editor.chosen], behind, id }, id)
  }

  const ungroup = () => editor.layer?.kind === 'group' && editor.run({ type: 'ungroup', layer: editor.selected })

  const set = (values: { locked?: boolean; hidden?: boolean }) =>
    editor.runAll(editor.chosen.map((layer) => ({ type: 'setLayer', layer, set: values })))
  const lock = () => set({ locked: !editor.layer?.locked })
  const hide = () => set({ hidden: !editor.layer?.hidden })

  // stack moves the chosen layers to the front or to the back, in their order.
  function stack(steps: number) {
    const order = editor.clip?.layers.map((l) => l.id) ?? []
    const layers = [...editor.chosen].sort((a, b) => order.indexOf(a) - order.indexOf(b))
    if (steps > 0 && steps < 99) layers.reverse()
    if (steps < -98) layers.reverse()
    return editor.runAll(layers.map((layer) => ({ type: 'stackLayer', layer, steps })))
  }

  // copy takes the selected keys, or all motion of the chosen layer.
  function copy() {
    if (editor.keys.length) return keys.copy()
    if (!editor.layer || !moves(editor.layer)) return
    desk.motionOf = editor.layer.id
    notices.say(`The motion of ${editor.layer.name} is copied: Ctrl V gives it to others from the playhead on`)
  }

  const moves = (l: Layer) => Object.keys(l.tracks).length > 0 || !!l.moves?.length || !!l.wander

  // paste gives what was copied to the chosen layers: from the playhead on, or a
  // motion at the times that it has.
  function paste(same = false) {
    if (!desk.motionOf) return same ? undefined : keys.paste()
    const at = same ? undefined : here()
    return editor.run({ type: 'pasteMotion', from: desk.motionOf, onto: editor.chosen, at })
  }

  // mirror turns the chosen layers over, left to right or upside down; where the
  // mirror has keys, the one here.
  function mirror(dim: 0 | 1) {
    return editor.runAll(
      editor.chosen.map((layer): Command => {
        const l = editor.layers.get(layer)
        const keyed = layer === editor.selected && l?.tracks.mirror?.length
        const value = [...((keyed ? editor.places.values.mirror : l?.values?.mirror) ?? [100, 100])]
        value[dim] = -value[dim]
        return { type: 'setValue', layer, property: 'mirror', frame: editor.frame, value }
      })
    )
  }

  const write = () => editor.layer?.words && writing.begin(editor.layer)

  // acts are those that what is chosen has, in groups.
  function acts(): Act[][] {
    const l = editor.layer
    if (!l) return []
    const several = editor.chosen.length > 1
    const fills = kindOf(l.kind)?.fills
    const out: Act[][] = []
    if (l.words && !several) out.push([{ id: 'write', says: 'Write in it', icon: 'pencil', keys: 'Enter', run: write }])
    out.push([
      { id: 'forward', says: 'A step to the front', icon: 'layer-forward', keys: 'Shift+PageUp', run: () => stack(1) },
      { id: 'back', says: 'A step to the back', icon: 'layer-backward', keys: 'Shift+PageDown', run: () => stack(-1) },
      { id: 'front', says: 'In front of all', icon: 'front', keys: 'Shift+Home', run: () => stack(99) },
      { id: 'rear', says: 'Behind all', icon: 'back', keys: 'Shift+End', run: () => stack(-99) }
    ])
    const set: Act[] = [
      { id: 'lock', says: l.locked ? 'Unlock' : 'Lock', icon: l.locked ? 'unlock' : 'lock', keys: 'l', run: lock },
      { id: 'hide', says: l.hidden ? 'Show' : 'Hide', icon: l.hidden ? 'eye' : 'eye-slash', keys: 'x', run: hide }
    ]
    if (!fills)
      set.unshift(
        { id: 'mirror', says: 'Mirror left to right', icon: 'symmetry-vertical', keys: 'y', run: () => mirror(0) },
        {
          id: 'mirror-down',
          says: 'Mirror upside down',
          icon: 'symmetry-horizontal',
          keys: 'Shift+Y',
          run: () => mirror(1)
        }
      )
    const behind = rim()
    if (!fills && behind)
      set.push({
        id: 'rise',
        says: `Rise from behind ${behind.name}`,
        icon: 'sunrise',
        run: () => rise(behind.id)
      })
    if (!fills) set.unshift({ id: 'keys', says: 'Set keys here', icon: 'diamond', keys: 'k', run: setKeys })
    if (!several && moves(l))
      set.push({ id: 'copy-motion', says: 'Copy its motion', icon: 'clipboard', keys: 'Ctrl+C', run: copy })
    if (desk.motionOf && editor.layers.has(desk.motionOf) && !editor.chosen.every((c) => c === desk.motionOf)) {
      const name = editor.layers.get(desk.motionOf)?.name
      set.push(
        {
          id: 'give',
          says: `Move as ${name} does, from here on`,
          icon: 'clipboard-plus',
          keys: 'Ctrl+V',
          run: () => paste()
        },
        {
          id: 'give-same',
          says: `Move with ${name}, at its times`,
          icon: 'clipboard-check',
          keys: 'Ctrl+Shift+V',
          run: () => paste(true)
        }
      )
    }
    if (several) set.push({ id: 'group', says: 'Group', icon: 'collection', keys: 'Ctrl+G', run: group })
    if (l.kind === 'group' && !several)
      set.push({ id: 'ungroup', says: 'Take the group apart', icon: 'scissors', keys: 'Ctrl+Shift+G', run: ungroup })
    if (kindOf(l.kind)?.holds && !several)
      set.push({
        id: 'layered',
        says: 'Download its layers (OpenRaster)',
        icon: 'layers',
        run: () => layered.download(l.id)
      })
    out.push(set)
    const end: Act[] = [{ id: 'delete', says: 'Delete', icon: 'trash3', keys: 'Delete', run: removeLayers }]
    if (!several)
      end.unshift({ id: 'copy', says: 'Duplicate', icon: 'copy', keys: 'Ctrl+D', run: () => editor.copyLayer(l.id) })
    out.push(end)
    return out
  }

  return {
    acts,
    nudge,
    align,
    remove,
    removeLayers,
    setKeys,
    duplicate,
    copy,
    paste,
    group,
    ungroup,
    lock,
    hide,
    stack,
    mirror,
    write
  }
}
