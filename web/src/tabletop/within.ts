import type { Place } from '../types'

// within turns a distance in the frame into one in the space of a layer's group,
// in which its position is counted.
export function within(place: Place, dx: number, dy: number): [number, number] {
  const [a, b] = place.away
  const d = a * a + b * b || 1
  return [(a * dx + b * dy) / d, (a * dy - b * dx) / d]
}
