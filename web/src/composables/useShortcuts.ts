import { useEventListener } from '@vueuse/core'
import { useEditor } from '../stores/editor'
import type { usePlayer } from './usePlayer'

// useShortcuts listens for keys, but never while a person types in a field.
export function useShortcuts(player: ReturnType<typeof usePlayer>) {
  const editor = useEditor()

  function typing(e: KeyboardEvent) {
    const t = e.target as HTMLElement
    return t.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(t.tagName) || t.closest('.modal') !== null
  }

  function beat(direction: number) {
    const frames = editor.view.beats.map((b) => b.frame)
    const next = direction > 0 ? frames.find((f) => f > editor.frame) : frames.filter((f) => f < editor.frame).at(-1)
    if (next !== undefined) editor.go(next)
  }

  function nudge(dx: number, dy: number) {
    const place = editor.places.places.find((p) => p.layer === editor.selected)
    if (!place || editor.layer?.kind === 'backdrop') return
    editor.run({
      type: 'handle',
      layer: editor.selected,
      shape: editor.shape,
      frame: editor.frame,
      target: 'auto',
      dx,
      dy,
      base: place.position
    })
  }

  function remove() {
    if (editor.keys.length) {
      const keys = editor.keys
      editor.keys = []
      editor.run({ type: 'removeKeys', keys })
    } else if (editor.selected) {
      editor.run({ type: 'removeLayer', layer: editor.selected })
      editor.select('')
    }
  }

  useEventListener(window, 'keydown', (e: KeyboardEvent) => {
    if (!editor.clip || typing(e)) return
    const ctrl = e.ctrlKey || e.metaKey
    const step = e.shiftKey ? 10 : 1
    const arrow = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[e.key]
    const onButton = (e.target as HTMLElement).closest('button, a, [role=slider]') !== null
    if (ctrl && e.key.toLowerCase() === 'z' && e.shiftKey) editor.redo()
    else if (ctrl && e.key.toLowerCase() === 'z') editor.undo()
    else if (ctrl && e.key.toLowerCase() === 'y') editor.redo()
    else if (ctrl || e.altKey) return
    else if (e.key === ' ' && !onButton) player.toggle()
    else if (arrow && !onButton) nudge(arrow[0] * step, arrow[1] * step)
    else if (e.key === ',') editor.go(editor.frame - 1)
    else if (e.key === '.') editor.go(editor.frame + 1)
    else if (e.key === '<' || e.key === 'b') beat(-1)
    else if (e.key === '>' || e.key === 'n') beat(1)
    else if (e.key === 'Home') editor.go(0)
    else if (e.key === 'End') editor.go(editor.clip.length - 1)
    else if (e.key === 'Delete' || e.key === 'Backspace') remove()
    else if (e.key === 'Escape') {
      editor.keys = []
      editor.select('')
    } else return
    e.preventDefault()
  })
}
