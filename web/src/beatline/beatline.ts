import { shallowRef } from 'vue'
import type { Bead, Track } from '../types'
import { propertyName } from '../words'

// Room at the left of the Beatline, in pixels, so that a bead on frame 0 is seen
// whole.
export const leftRoom = 8

// What of the Beatline whoever drags onto it from elsewhere needs: the frame at a place of the page, and how many
// pixels a frame is wide. Null as long as there is none.
export const onBeatline = shallowRef<{
  frameAt: (x: number) => number
  scale: () => number
  box: () => DOMRect
} | null>(null)

// A lane is what is drawn of one property, or of all points of a path together.
export interface Lane extends Track {
  of: Track[]
}

const ofPath = (property: string) => /^(point|bend)[1-9]/.test(property)

// laneName is what a property is called on the Beatline.
export const laneName = (property: string) =>
  property === 'path' || ofPath(property) ? 'Path' : propertyName(property)

// lanesOf folds the points of a path into one lane, of which the string is that of the
// first; apart leaves them.
export function lanesOf(tracks: Track[], apart: boolean): Lane[] {
  const path = tracks.filter((t) => ofPath(t.property))
  const one = path.length > 2 && !apart
  return tracks.flatMap((t): Lane[] => {
    if (!one || !ofPath(t.property)) return [{ ...t, of: [t] }]
    return t === path[0] ? [{ ...t, property: 'path', beads: together(path), of: path, creeps: [] }] : []
  })
}

// together is the beads of all tracks, one on a frame.
function together(tracks: Track[]): Bead[] {
  const on = new Map<number, Bead>()
  for (const t of tracks) for (const b of t.beads) if (!on.has(b.frame)) on.set(b.frame, b)
  return [...on.values()].sort((a, b) => a.frame - b.frame)
}
