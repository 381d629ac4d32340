import { useDesk } from '../stores/desk'
import { useEditor } from '../stores/editor'
import type { Command, Place } from '../types'

// handle is the command that moves, sizes or turns a layer from where it is: its keys,
// or its rest when that is what drags change.
export function handle(place: Place, change: Partial<Extract<Command, { type: 'handle' }>>): Command {
  const editor = useEditor()
  return {
    type: 'handle',
    layer: place.layer,
    shape: editor.shape,
    frame: editor.frame,
    target: useDesk().target === 'rest' ? 'rest' : 'auto',
    base: place.position,
    anchor: place.anchor,
    ...change
  }
}
