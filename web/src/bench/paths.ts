import type { Order } from '../types'

// Closed paths of nodes: a place, how far from it the handle lies that pulls the curve after it,
// and how far the one that pulls the curve before it.
export type Paths = NonNullable<Order['pen']>
export type Path = Paths[number]
export type Node = Path[number]
export type Place = [number, number]

const tenth = (v: number) => Math.round(v * 10) / 10

export const near = (x: number, y: number, [px, py]: Place, reach: number) => Math.hypot(px - x, py - y) <= reach

// withNode is a node at another place.
export const withNode = (n: Node, [x, y]: Place): Node => [tenth(x), tenth(y), n[2], n[3], n[4], n[5]]

// pulled is a node one of whose handles (2 or 4) ends at a place; the other one lies opposite
// unless it moves alone.
export function pulled(n: Node, handle: number, [px, py]: Place, alone: boolean): Node {
  const [x, y] = [tenth(n[0]), tenth(n[1])]
  const [hx, hy] = [tenth(px - x), tenth(py - y)]
  const other: Place = alone ? [n[6 - handle], n[7 - handle]] : [-hx, -hy]
  return handle === 2 ? [x, y, hx, hy, ...other] : [x, y, ...other, hx, hy]
}

// written is a path as SVG writes it.
export function written(path: Path, closed: boolean) {
  if (!path.length) return ''
  let d = `M${path[0][0]} ${path[0][1]}`
  for (let i = 1; i < path.length + (closed ? 1 : 0); i++) {
    const [a, b] = [path[i - 1], path[i % path.length]]
    d += `C${a[0] + a[2]} ${a[1] + a[3]} ${b[0] + b[4]} ${b[1] + b[5]} ${b[0]} ${b[1]}`
  }
  return closed ? `${d}Z` : d
}
