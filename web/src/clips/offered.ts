import { api, type Offered } from '../api'

// allOffered are the products of all clips, and what no clip sells yet: the pictures
// on the shelf, which have no price.
export async function allOffered(): Promise<Offered[]> {
  const [products, shelf] = await Promise.all([api.products(), api.props()])
  const known = new Set(products.map((o) => o.prop?.hash))
  const pictures = shelf.filter((s) => s.prop.kind === 'cutout' && !known.has(s.prop.hash))
  return [
    ...products,
    ...pictures.map(({ prop }) => ({
      product: { id: '', name: prop.name, price: '', oldPrice: '', currency: '' },
      prop
    }))
  ]
}
