import { usePlayhead } from '../player/usePlayhead'
import { useEditor } from '../stores/editor'
import type { Command, Prop, SoundTrack } from '../types'

// useSounds lays sounds beside the tune, changes them and takes them away.
export function useSounds() {
  const editor = useEditor()
  const { here } = usePlayhead()

  const track = (id: string) => editor.clip?.sounds?.find((s) => s.id === id)

  // changed is the command that changes a sound, if it is still there.
  function changed(id: string, to: Partial<SoundTrack>): Command | null {
    const was = track(id)
    return was ? { type: 'setSound', id, sound: { ...was, ...to } } : null
  }

  async function set(id: string, to: Partial<SoundTrack>) {
    const command = changed(id, to)
    if (command) await editor.run(command)
  }

  const remove = (id: string) => editor.run({ type: 'setSound', id, sound: null })

  // lay lets a sound begin at the playhead; it says whether it could.
  async function lay(prop: Prop, to: Partial<SoundTrack> = {}) {
    const known = editor.clip?.props.find((p) => p.hash === prop.hash)
    const commands: Command[] = known ? [] : [{ type: 'addProp', prop }]
    const id = `sound-${Date.now().toString(36)}`
    const sound = { id, prop: known?.id ?? prop.id, at: here(), trim: 0, gain: 0, fadeIn: 0, fadeOut: 0, ...to }
    commands.push({ type: 'setSound', id, sound })
    return editor.runAll(commands)
  }

  return { track, changed, set, remove, lay }
}
