import type { Applied, Clip, View } from '../types'

export const emptyView: View = {
  length: 1,
  timecode: '',
  beats: [],
  hits: [],
  sections: [],
  tune: null,
  wave: [],
  scenes: [],
  markers: [],
  range: null,
  sounds: [],
  rows: []
}

// A state of the clip with what the Beatline shows of it.
export interface Shown {
  clip: Clip
  view: View
  needs: string[] // hashes of the pictures that it is made of
}

// over puts what a command changed on top of a state. Layers, products and rows that did
// not change stay the same objects, so that nothing is drawn again for them.
export function over(base: Shown, a: Applied): Shown {
  const needs = a.needs ?? base.needs
  if (a.clip && a.view) return { clip: a.clip, view: a.view, needs }
  if (!a.layers?.length && !a.products?.length) return base
  const layers = new Map((a.layers ?? []).map((l) => [l.id, l]))
  const products = new Map((a.products ?? []).map((p) => [p.id, p]))
  const rows = new Map((a.rows ?? []).map((r) => [r.layer, r]))
  return {
    clip: {
      ...base.clip,
      layers: base.clip.layers.map((l) => layers.get(l.id) ?? l),
      products: products.size ? base.clip.products.map((p) => products.get(p.id) ?? p) : base.clip.products
    },
    view: { ...base.view, rows: base.view.rows.map((r) => rows.get(r.layer) ?? r) },
    needs
  }
}
