import { useEditor } from '../stores/editor'
import { useWriting } from '../stores/writing'
import type { Layer, Prop } from '../types'
import { kindOf } from '../words'
import { usePropIntake, type Spot } from './usePropIntake'

const type = 'application/x-billow'
const picture = 'application/x-billow-picture' // said while it is carried, when nothing else can be read

// What is carried from the shelf to the picture: a prop, or a kind of layers.
type Carried = { prop: Prop } | { kind: Layer['kind'] }

// useCarry puts things on the Tabletop: pressed on the shelf, or carried to a place
// of the picture and let go there.
export function useCarry() {
  const editor = useEditor()
  const writing = useWriting()
  const intake = usePropIntake()

  // add makes a new layer; words are written at once.
  async function add(kind: Layer['kind'], at?: Spot) {
    const written = kindOf(kind)?.field === 'words'
    if (written) writing.soon()
    try {
      const id = await editor.addLayer(kind, at)
      const layer = editor.layers.get(id)
      if (written && layer) await writing.begin(layer)
    } finally {
      if (written) writing.opening = false
    }
  }

  const carry = (e: DragEvent, what: Carried) => {
    e.dataTransfer?.setData(type, JSON.stringify(what))
    if ('prop' in what && what.prop.picture) e.dataTransfer?.setData(picture, what.prop.name)
    if (e.dataTransfer) e.dataTransfer.effectAllowed = 'all' // Alt may ask for more than a copy
  }

  const takes = (e: DragEvent) => e.dataTransfer?.types.some((t) => t === type || t === 'Files') ?? false
  const shows = (e: DragEvent) => e.dataTransfer?.types.some((t) => t === picture || t === 'Files') ?? false

  // put lets go what was carried, or files from elsewhere, on a spot, which may still
  // have to be found.
  async function put(e: DragEvent, spot: Spot | Promise<Spot>) {
    const files = [...(e.dataTransfer?.files ?? [])]
    const said = e.dataTransfer?.getData(type)
    const at = await spot
    if (files.length) return intake.take(files, at)
    if (!said) return
    const what = JSON.parse(said) as Carried
    if ('prop' in what) await intake.use(what.prop, at)
    else await add(what.kind, { shape: at.shape, at: at.at })
  }

  return { add, carry, takes, shows, put }
}
