import { useSounds } from '../settings/useSounds'
import { useEditor } from '../stores/editor'
import type { Command, Key, Moment, ViewSound } from '../types'

// useGain sets, moves and takes away the keys of a sound's gain.
export function useGain() {
  const editor = useEditor()
  const { track, changed } = useSounds()

  const keys = (sound: ViewSound): Key[] => track(sound.id)?.keys ?? []

  // moved is the command that gives a key another value, and another moment if there is one.
  function moved(sound: ViewSound, i: number, decibels: number, at?: Moment): Command | null {
    const next = keys(sound).map((k, n) => (n === i ? { ...k, at: at ?? k.at, value: [decibels] } : k))
    return changed(sound.id, { keys: next })
  }

  // set puts a key on a frame, or changes the one that is there.
  async function set(sound: ViewSound, at: Moment, frame: number, decibels: number) {
    const i = sound.gain.findIndex((k) => k.frame === frame)
    const key: Key = { at, value: [decibels], ease: { kind: 'linear' } }
    const before = sound.gain.filter((k) => k.frame < frame).length
    const was = keys(sound)
    const command =
      i >= 0
        ? moved(sound, i, decibels)
        : changed(sound.id, { keys: [...was.slice(0, before), key, ...was.slice(before)] })
    if (command) await editor.run(command)
  }

  async function remove(sound: ViewSound, i: number) {
    const command = changed(sound.id, { keys: keys(sound).filter((_, n) => n !== i) })
    if (command) await editor.run(command)
  }

  return { moved, set, remove }
}
