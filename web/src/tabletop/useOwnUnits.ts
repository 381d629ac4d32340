import { computed } from 'vue'
import type { Place } from '../types'

type Point = [number, number]

// useOwnUnits maps between a layer's own units about its middle and the picture's pixels; px
// maps units of the frame to these. standing is as if nothing moved the layer.
export function useOwnUnits(place: () => Place, px: (at: Point) => Point, standing = false) {
  const matrix = computed(() => {
    if (standing) {
      const [a, b, c, d, e, f] = place().standing
      const [o, x, y] = [px([e, f]), px([e + a, f + b]), px([e + c, f + d])]
      return [x[0] - o[0], x[1] - o[1], y[0] - o[0], y[1] - o[1], ...o]
    }
    const [o, r, , d] = place().corners.map(px)
    const [ow, oh] = place().own.map((v) => v || 1)
    const m = [(r[0] - o[0]) / ow, (r[1] - o[1]) / ow, (d[0] - o[0]) / oh, (d[1] - o[1]) / oh]
    const [cx, cy] = px([place().x, place().y])
    return [...m, cx, cy]
  })
  const outer = ([x, y]: Point): Point => {
    const [a, b, c, d, e, f] = matrix.value
    return [a * x + c * y + e, b * x + d * y + f]
  }
  const inner = ([x, y]: Point): Point => {
    const [a, b, c, d, e, f] = matrix.value
    const k = a * d - b * c || 1
    return [(d * (x - e) - c * (y - f)) / k, (a * (y - f) - b * (x - e)) / k]
  }
  return { outer, inner }
}
