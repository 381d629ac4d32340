import { useEventListener } from '@vueuse/core'
import { useEditor } from '../stores/editor'

// useUndoKeys undoes and redoes by the keyboard where nothing else has shortcuts, but never
// while a person types; within says where an input is not for typing.
export function useUndoKeys(within = '[role=grid]') {
  const editor = useEditor()
  useEventListener(window, 'keydown', (e: KeyboardEvent) => {
    const t = e.target as HTMLElement
    const types = /^(INPUT|TEXTAREA|SELECT)$/.test(t.tagName) && !t.closest(within)
    if (!(e.ctrlKey || e.metaKey) || e.key.toLowerCase() !== 'z' || types || t.closest('.modal')) return
    e.preventDefault()
    if (e.shiftKey) editor.redo()
    else editor.undo()
  })
}
