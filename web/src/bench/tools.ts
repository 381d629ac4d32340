import { reactive } from 'vue'

// What a pointer does on the Bench.
export type ToolId = 'stays' | 'goes' | 'box' | 'outline' | 'path' | 'heal' | 'part' | 'hand'

export const tools: { id: ToolId; name: string; icon: string; key: string; says: string; still?: true }[] = [
  { id: 'stays', name: 'This stays', icon: 'brush', key: 's', says: 'Paint over what belongs to the thing' },
  { id: 'goes', name: 'This goes', icon: 'eraser', key: 'g', says: 'Paint over what is background' },
  {
    id: 'outline',
    name: 'Go around',
    icon: 'bounding-box',
    key: 'o',
    says: 'Draw around a part: it stays, or goes, as a whole'
  },
  {
    id: 'path',
    name: 'Path',
    icon: 'bezier',
    key: 'k',
    still: true,
    says: 'Set points along a hard edge, and drag for curves: all within stays'
  },
  { id: 'box', name: 'Box', icon: 'crop', key: 'b', says: 'Draw a box around the thing: all outside it goes' },
  {
    id: 'heal',
    name: 'Heal',
    icon: 'bandaid',
    key: 'h',
    still: true,
    says: 'Dab on dust and scratches: they are filled from around them'
  },
  {
    id: 'part',
    name: 'Part',
    icon: 'puzzle',
    key: 'p',
    still: true,
    says: 'Draw around a part that is to stand by itself: its place is filled'
  },
  { id: 'hand', name: 'Move', icon: 'arrows-move', key: 'm', says: 'Move the photo, as with Space held' }
]

// toolsFor are those for a photo, or for footage.
export const toolsFor = (moves: boolean) => tools.filter((t) => !moves || !t.still)

// What is in hand; it stays so from photo to photo.
export const inHand = reactive({
  tool: 'stays' as ToolId,
  around: true, // what is gone around stays
  width: 24, // of the brush, pixels of the screen
  seeks: true // only what looks alike
})

// What draws a closed line, and what a round tip.
export const encloses = () => inHand.tool === 'outline' || inHand.tool === 'part'
export const dabs = () => inHand.tool === 'stays' || inHand.tool === 'goes' || inHand.tool === 'heal'

// Whether what is painted now stays.
export const staying = (turned: boolean) =>
  (inHand.tool === 'goes' ? false : inHand.tool === 'outline' ? inHand.around : true) !== turned
