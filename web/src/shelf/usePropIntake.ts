import { useLocalStorage } from '@vueuse/core'
import { api, type Layered } from '../api'
import { useSounds } from '../settings/useSounds'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'
import { useOwnFonts } from '../stores/ownFonts'
import type { Command, Draft, Prop } from '../types'
import { listed } from '../words'
import { useToBench } from '../bench/useToBench'
import { useUploads } from './useUploads'

// A point of a shape, in units from the frame's centre; or a cut-out that is to show
// what is let go there.
export type Spot = Pick<Draft, 'shape' | 'at'> & { swaps?: string }

// Whether a file that is brought in alone is put to use at once; otherwise it only
// goes to the shelf.
const atOnce = useLocalStorage('billow-use-at-once', true)

// usePropIntake brings files in: one picture becomes a layer, one tune goes under
// the clip, and what has no beat beside the tune that it has; several files go to the shelf.
export function usePropIntake() {
  const editor = useEditor()
  const notices = useNotices()
  const uploads = useUploads()
  const sounds = useSounds()
  const toBench = useToBench()

  // take brings files in. What is let go on a spot is put there, whatever else.
  async function take(files: File[], at?: Spot) {
    const layered: Layered[] = []
    const brought = await uploads.bring(files, (l) => layered.push(l))
    for (const prop of brought) told(prop)
    if (files.length === 1 && layered.length && (at || atOnce.value)) await lay(layered[0])
    else if (files.length === 1 && brought.length && (at || atOnce.value)) await use(brought[0], at)
    else if (brought.length) {
      const backed = brought.filter((p) => toBench.backed(p))
      const way = backed.length ? { label: toBench.words(backed.length), run: () => toBench.go(backed) } : undefined
      notices.say(`On the shelf: ${listed(brought.map((p) => p.name))}`, 'done', way)
    }
  }

  // use puts a prop to use in the open clip; a picture where it was let go.
  // Footage that has nothing clear covers the frame.
  const usual = (prop: Prop) => (prop.footage && !prop.footage.alpha ? 'photo' : 'cutout')
  async function use(prop: Prop, at?: Spot, as: 'cutout' | 'photo' = at ? 'cutout' : usual(prop)) {
    const known = editor.clip?.props.find((p) => p.hash === prop.hash)
    const first: Command[] = known ? [] : [{ type: 'addProp', prop }]
    const id = known?.id ?? prop.id
    if (prop.picture) {
      if (at?.swaps) return swap(prop, at.swaps)
      // The draft asks nothing of the prop, so it may come in the same step.
      const layer = await editor.addLayer(as, { prop: id, name: prop.name, shape: at?.shape, at: at?.at }, first)
      if (layer && prop.footage && !prop.footage.alpha)
        notices.say(`${prop.name} is in the clip with its background.`, 'done', {
          label: toBench.words(1),
          run: () => toBench.go([prop], layer)
        })
      if (layer && as === 'cutout' && toBench.backed(prop))
        notices.say(`${prop.name} came with its background.`, 'done', {
          label: toBench.words(1),
          run: () => toBench.go([prop], layer)
        })
      return
    }
    if (prop.kind === 'font') {
      // It goes to the chosen words, and is offered with the others from now on.
      const fonts = useOwnFonts()
      await fonts.again()
      const words = editor.layer?.words
      if (words)
        await editor.runAll([
          ...fonts.first(prop.id),
          { type: 'setLayer', layer: editor.selected, set: { words: { font: prop.id } } }
        ])
      notices.say(`${prop.name} is among the fonts now. Its maker says: ${fonts.says(prop)}.`)
      return
    }
    if (prop.kind === 'table') return wear(prop, first, id)
    if (editor.tune && !prop.sound?.steady) {
      if (await sounds.lay(prop))
        notices.say(`${prop.name} has no steady beat: it sounds beside the tune, from the playhead on.`)
      return
    }
    const rate = editor.clip?.rate ?? 30
    const tune = { prop: id, start: 0, gain: 0, fadeIn: 0, fadeOut: Math.min(rate, editor.view.length) }
    const done = await editor.run({ type: 'batch', commands: [...first, { type: 'setTune', tune }] })
    if (!done) return
    if (prop.sound?.steady)
      notices.say(`${prop.name}: ${prop.sound.tempo.bpm.toFixed(1)} BPM. The Beatline follows it now.`)
    else notices.say(`No steady beat was found in ${prop.name}; set the tempo by hand.`, 'problem')
  }

  // wear gives the chosen layers a table of colours.
  async function wear(prop: Prop, first: Command[], table: string) {
    const { frame, chosen } = editor
    if (!chosen.length) return notices.say(`${prop.name} is on the shelf: choose a layer, and then press it there`)
    const each = chosen.flatMap((layer): Command[] => [
      { type: 'setLayer', layer, set: { table } },
      { type: 'setValue', layer, property: 'table', frame, value: [100] }
    ])
    if (await editor.runAll([...first, ...each])) notices.say(`${prop.name} is the table of colours now`)
  }

  // swap lets a cut-out, or the chosen one, show a prop instead of its own.
  async function swap(prop: Prop, layer = editor.selected) {
    const known = editor.clip?.props.find((p) => p.hash === prop.hash)
    const commands: Command[] = known ? [] : [{ type: 'addProp', prop }]
    await editor.runAll([...commands, { type: 'swapPicture', layer, prop: known?.id ?? prop.id }])
  }

  // lay puts a layered picture into the clip: a group with each of its layers in its place.
  async function lay({ name, props, layers, leftOut }: Layered) {
    const commands: Command[] = []
    const ids = new Map<string, string>()
    for (const prop of props) {
      const known = editor.clip?.props.find((p) => p.hash === prop.hash)
      if (!known) commands.push({ type: 'addProp', prop })
      ids.set(prop.id, known?.id ?? prop.id)
    }
    for (const l of layers) if (l.cutout) l.cutout.prop = ids.get(l.cutout.prop) ?? l.cutout.prop
    const id = `picture-${Date.now().toString(36)}`
    commands.push({ type: 'addLayers', layers, id, group: editor.scene })
    if (!(await editor.run({ type: 'batch', commands }, id))) return
    const count = layers.filter((l) => l.cutout).length
    notices.say(`${name} is in the clip, with ${count === 1 ? 'its layer' : `its ${count} layers`} in place.`)
    if (leftOut?.length) notices.say(`Not shown as it is meant: ${listed(leftOut)}.`, 'problem')
  }

  // takeApart places the drawing that a picture was made of as figures in a group.
  async function takeApart(prop: Prop) {
    const { layers, leftOut } = await api.figures(prop.hash, prop.name)
    const id = `drawing-${Date.now().toString(36)}`
    if (!(await editor.run({ type: 'addLayers', layers, id, group: editor.scene }, id))) return
    if (leftOut?.length) notices.say(`${prop.name} is here as figures. They do not show ${listed(leftOut)}.`)
  }

  // told says what a drawing has that is not shown.
  function told(prop: Prop) {
    const out = prop.picture?.drawing?.leftOut
    if (out?.length) notices.say(`${prop.name} is here without ${listed(out)}.`, 'problem')
  }

  return { ...uploads, atOnce, take, use, swap, takeApart }
}
