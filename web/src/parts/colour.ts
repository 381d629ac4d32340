// A colour of a property is four numbers from 0 to 255; a field writes #rrggbb.
export const hexOf = (value: number[]) =>
  '#' +
  value
    .slice(0, 3)
    .map((v) => Math.round(v).toString(16).padStart(2, '0'))
    .join('')

export const numbersOf = (hex: string, alpha = 255) => [
  ...[0, 1, 2].map((i) => parseInt(hex.slice(1 + 2 * i, 3 + 2 * i), 16)),
  alpha
]
