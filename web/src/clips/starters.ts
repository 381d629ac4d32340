// How starters look with products of the sample world.
const pictures: Record<string, string> = import.meta.glob('./starters/*.jpg', {
  query: '?url',
  import: 'default',
  eager: true
})

export const pictureOf = (starter: string) => pictures[`./starters/${starter}.jpg`]
