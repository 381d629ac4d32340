import type { ViewScene } from '../types'
import { useEditor } from '../stores/editor'
import { usePlayhead } from '../player/usePlayhead'

// useScenes adds, splits and times scenes, and opens them.
export function useScenes() {
  const editor = useEditor()
  const { here } = usePlayhead()
  const newId = () => `scene-${Date.now().toString(36)}`

  const count = (scene: string, unit: string) => editor.run({ type: 'trimScene', scene, unit })

  const last = (scene: string, unit: string, amount: number) =>
    editor.run({ type: 'trimScene', scene, length: { [unit]: unit === 'frames' ? Math.round(amount) : amount } })

  // open shows a scene's rows and goes to its beginning.
  async function open(scene: ViewScene) {
    if (editor.frame < scene.from || editor.frame >= scene.to) await editor.go(scene.from)
    editor.select(scene.id)
  }

  // add puts a new scene after another one, as long as that is.
  async function add(after = editor.view.scenes.at(-1)?.id ?? '') {
    const id = newId()
    const before = editor.view.scenes.find((s) => s.id === after)
    const scene = before && before.unit !== 'frames' ? { [before.unit]: before.amount } : { bars: 2 }
    if (!(await editor.run({ type: 'addScene', id, after, scene }))) return
    const added = editor.view.scenes.find((s) => s.id === id)
    if (added) await open(added)
  }

  const canSplit = (scene: ViewScene | undefined) => !!scene && editor.frame > scene.from && editor.frame < scene.to

  async function split() {
    const id = newId()
    await editor.run({ type: 'splitScene', at: here(), id }, id)
  }

  return { add, split, canSplit, count, last, open }
}
