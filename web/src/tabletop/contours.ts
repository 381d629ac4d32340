import type { DrawnPath } from '../types'

// contours are the parts of a path that hang together: of each its first point and that
// after its last.
export function contours(path: DrawnPath): [number, number][] {
  const begins = path.points.flatMap((p, i) => (i === 0 || p.begins ? [i] : []))
  return begins.map((from, i) => [from, begins[i + 1] ?? path.points.length])
}
