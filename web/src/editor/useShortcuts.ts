import { useEventListener } from '@vueuse/core'
import { useDesk } from '../stores/desk'
import { useEditor } from '../stores/editor'
import { kindOf } from '../words'
import { useKeys } from '../beatline/useKeys'
import { useActs } from './useActs'
import { useMarks } from '../beatline/useMarks'
import type { usePlayer } from '../player/usePlayer'
import { useWriting } from '../stores/writing'
import { useSight } from '../tabletop/useSight'
import { usePlayhead } from '../player/usePlayhead'
import { useTaps } from '../player/useTaps'

export interface Shortcut {
  keys: string[] // as KeyboardEvent.key has them; "Ctrl+" and "Shift+" before
  says: string
  group: string
}

// The shortcuts, as they are listed; what they do is below, under the same keys.
export const shortcuts: Shortcut[] = [
  { keys: [' '], says: 'Play or stop', group: 'Time' },
  { keys: [',', '.'], says: 'A frame back, a frame on', group: 'Time' },
  { keys: ['b', 'n'], says: 'A beat back, a beat on', group: 'Time' },
  { keys: ['Home', 'End'], says: 'To the start, to the end', group: 'Time' },
  { keys: ['i', 'o'], says: 'The loop begins here, ends here', group: 'Time' },
  { keys: ['Shift+I'], says: 'Loop the whole clip', group: 'Time' },
  { keys: ['c'], says: 'Hear clicks on the beats, or not', group: 'Time' },
  { keys: ['q'], says: 'Tap along while it plays, once on each beat', group: 'Time' },
  { keys: ['m'], says: 'Set a marker', group: 'Time' },
  { keys: ['k'], says: 'Set keys for place, scale and rotation', group: 'Keys' },
  { keys: ['h'], says: 'Hold until here', group: 'Keys' },
  { keys: ['a'], says: 'Select all keys of the chosen layers from here on', group: 'Keys' },
  {
    keys: ['Ctrl+C', 'Ctrl+V'],
    says: 'Copy keys, or a layer’s motion; paste here on the chosen layers',
    group: 'Keys'
  },
  { keys: ['Ctrl+Shift+V'], says: 'Paste a motion at its own times', group: 'Keys' },
  { keys: ['Ctrl+D'], says: 'Duplicate the keys here, or the layer', group: 'Keys' },
  { keys: ['r'], says: 'Run the selected keys backwards', group: 'Keys' },
  { keys: ['Delete'], says: 'Delete keys, or the layers', group: 'Keys' },
  {
    keys: ['ArrowLeft', 'ArrowRight', 'ArrowUp', 'ArrowDown'],
    says: 'Nudge by a unit; with Shift by ten',
    group: 'Tabletop'
  },
  { keys: ['z'], says: 'All of the picture, or 100%', group: 'Tabletop' },
  { keys: ['+', '-'], says: 'See the picture larger, smaller', group: 'Tabletop' },
  { keys: ['Enter'], says: 'Write in the chosen words', group: 'Tabletop' },
  { keys: ['t'], says: 'Show the picture alone, or all again', group: 'Tabletop' },
  { keys: ['w'], says: 'A drag changes the whole motion, or the key here', group: 'Tabletop' },
  { keys: ['p', 'g', 'u', 'e', 'd'], says: 'Path, ghosts, guides, safe area, loud shadows', group: 'Tabletop' },
  { keys: ['PageUp', 'PageDown'], says: 'Choose the layer in front, behind', group: 'Layers' },
  { keys: ['Ctrl+A'], says: 'Choose all layers but backdrops', group: 'Layers' },
  { keys: ['Ctrl+G', 'Ctrl+Shift+G'], says: 'Group, take the group apart', group: 'Layers' },
  { keys: ['Shift+PageUp', 'Shift+PageDown'], says: 'A step to the front, to the back', group: 'Layers' },
  { keys: ['Shift+Home', 'Shift+End'], says: 'In front of all, behind all', group: 'Layers' },
  { keys: ['y', 'Shift+Y'], says: 'Mirror left to right, upside down', group: 'Layers' },
  { keys: ['l', 'x'], says: 'Lock or unlock, hide or show', group: 'Layers' },
  { keys: ['f'], says: 'Find a layer by its name', group: 'Layers' },
  { keys: ['Escape'], says: 'Choose nothing', group: 'Layers' },
  { keys: ['Ctrl+Z', 'Ctrl+Shift+Z'], says: 'Undo, redo', group: 'Everything' },
  { keys: ['?'], says: 'This list', group: 'Everything' }
]

// useShortcuts listens for keys, but never while a person types in a field.
export function useShortcuts(player: ReturnType<typeof usePlayer>) {
  const editor = useEditor()
  const desk = useDesk()
  const keys = useKeys()
  const writing = useWriting()
  const acts = useActs()
  const sight = useSight()
  const marks = useMarks()
  const { beat } = usePlayhead()
  const { tap } = useTaps()

  function typing(e: KeyboardEvent) {
    const t = e.target as HTMLElement
    if (t.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(t.tagName)) return true
    return t.closest('.modal, [role=menu]') !== null || document.querySelector('.dropdown-menu.show') !== null
  }

  // What takes arrow keys for itself.
  const turns = (t: HTMLElement) => t.closest('[role=slider], [role=separator], [role=menu], [role=listbox]') !== null

  function neighbour(by: number) {
    const rows = editor.view.rows.filter((r) => r.layer !== '@light' && (!r.scene || r.scene === editor.scene))
    const at = rows.findIndex((r) => r.layer === editor.selected)
    const next = rows[Math.max(0, Math.min(rows.length - 1, at + by))]
    if (next) editor.select(next.layer)
  }

  const bound: Record<string, (e: KeyboardEvent) => unknown> = {
    ' ': () => player.toggle(),
    ',': () => editor.go(editor.frame - 1),
    '.': () => editor.go(editor.frame + 1),
    b: () => beat(-1),
    n: () => beat(1),
    Home: () => editor.go(0),
    End: () => editor.go(editor.view.length - 1),
    i: () => marks.range('in'),
    o: () => marks.range('out'),
    'Shift+I': () => marks.whole(),
    c: () => (desk.clicks = !desk.clicks),
    q: () => tap(),
    m: () => marks.marker(),
    k: () => acts.setKeys(),
    h: () => keys.hold(),
    a: () => keys.fromHere(),
    'Ctrl+C': () => acts.copy(),
    'Ctrl+V': () => acts.paste(),
    'Ctrl+Shift+V': () => acts.paste(true),
    'Ctrl+D': () => acts.duplicate(),
    r: () => keys.count.value > 1 && keys.reverse(),
    Delete: () => acts.remove(),
    Backspace: () => acts.remove(),
    w: () => (desk.target = desk.target === 'rest' ? 'key' : 'rest'),
    t: () => (desk.alone = !desk.alone),
    p: () => (desk.path = !desk.path),
    g: () => (desk.ghosts = !desk.ghosts),
    u: () => (desk.guides = !desk.guides),
    e: () => (desk.safe = !desk.safe),
    d: () => (desk.shadows = !desk.shadows),
    PageUp: () => neighbour(-1),
    PageDown: () => neighbour(1),
    'Ctrl+A': () =>
      editor.selectAll(
        editor.clip?.layers
          .filter((l) => !kindOf(l.kind)?.fills && (!l.group || l.group === editor.scene))
          .map((l) => l.id) ?? []
      ),
    'Ctrl+G': () => acts.group(),
    'Ctrl+Shift+G': () => acts.ungroup(),
    l: () => acts.lock(),
    x: () => acts.hide(),
    y: () => acts.mirror(0),
    'Shift+Y': () => acts.mirror(1),
    Enter: () => acts.write(),
    'Shift+PageUp': () => acts.stack(1),
    'Shift+PageDown': () => acts.stack(-1),
    'Shift+Home': () => acts.stack(99),
    'Shift+End': () => acts.stack(-99),
    z: () => sight.toggle(),
    '+': () => sight.zoomBy(1.25),
    '-': () => sight.zoomBy(1 / 1.25),
    f: () => document.getElementById('find-layer')?.focus(),
    Escape: () => {
      if (desk.helping) return (desk.helping = false)
      if (desk.alone) return (desk.alone = false)
      editor.keys = []
      editor.select('')
    },
    'Ctrl+Z': () => editor.undo(),
    'Ctrl+Shift+Z': () => editor.redo(),
    'Ctrl+Y': () => editor.redo(),
    '?': () => (desk.helping = true)
  }

  const arrows: Record<string, [number, number]> = {
    ArrowLeft: [-1, 0],
    ArrowRight: [1, 0],
    ArrowUp: [0, -1],
    ArrowDown: [0, 1]
  }

  // named is the key as the table has it.
  function named(e: KeyboardEvent) {
    const ctrl = e.ctrlKey || e.metaKey
    const letter = e.key.length === 1
    const shift = e.shiftKey && (ctrl || !letter || /[a-z]/i.test(e.key))
    const key = letter && (ctrl || shift) ? e.key.toUpperCase() : letter ? e.key.toLowerCase() : e.key
    return `${ctrl ? 'Ctrl+' : ''}${shift ? 'Shift+' : ''}${key}`
  }

  useEventListener(window, 'keydown', (e: KeyboardEvent) => {
    if (!editor.clip || typing(e) || e.altKey) return
    if (writing.opening) {
      writing.wait(e)
      return e.preventDefault()
    }
    const onButton = (e.target as HTMLElement).closest('button, a, [role=slider], [role=button]') !== null
    const arrow = arrows[e.key]
    const step = e.shiftKey ? 10 : 1
    if (arrow && !turns(e.target as HTMLElement)) acts.nudge(arrow[0] * step, arrow[1] * step)
    else if (bound[named(e)] && !(onButton && (e.key === ' ' || e.key === 'Enter'))) bound[named(e)](e)
    else return
    e.preventDefault()
  })
}
