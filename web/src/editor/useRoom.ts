import { useEditor } from '../stores/editor'
import type { Dragged, Room } from '../types'

// useRoom lets dragged keys go as near as they can to where the pointer wants
// them: the engine says where they may lie. Until it has, they stay; then again
// is called, so that the newest place of the pointer counts.
export function useRoom() {
  const editor = useEditor()
  return (dragged: Dragged, again: () => void) => {
    let room: Room | null = null
    const known = editor
      .ask('room', dragged)
      .then((r) => ((room = r), again()))
      .catch(() => undefined) // a key that is gone has no room
    function nearest(by: number) {
      if (!room) return 0
      const { least, most, taken } = room
      by = Math.max(least, Math.min(most, by))
      while (by && taken.includes(by)) by -= Math.sign(by)
      return by
    }
    return { nearest, known }
  }
}
