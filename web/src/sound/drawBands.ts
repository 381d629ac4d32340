import { columns } from './useTune'

// The three bands, from the one behind to the one in front: what is low is widest.
const colours = ['#173f47', '#6a9a92', '#d9a441']

// drawBands draws how far a tune swings, low, middle and high over one another, from one second
// to another.
export function drawBands(canvas: HTMLCanvasElement, bands: Uint8Array[], from: number, to: number, quiet = false) {
  const ratio = window.devicePixelRatio || 1
  const w = Math.round(canvas.clientWidth * ratio)
  const h = Math.round(canvas.clientHeight * ratio)
  if (canvas.width !== w) canvas.width = w
  if (canvas.height !== h) canvas.height = h
  const context = canvas.getContext('2d')
  if (!context || !w || !h) return
  context.clearRect(0, 0, w, h)
  if (bands.length < 3) return
  const step = ((to - from) * columns) / w
  const highest = [0, 1, 2].map((b) => peak(bands[b], 0, bands[b].length))
  const top = Math.max(40, ...highest)
  for (let b = 0; b < 3; b++) {
    context.fillStyle = colours[b]
    context.globalAlpha = quiet ? 0.55 : b === 0 ? 0.8 : 0.9
    const room = (h / 2 - 1) * (1 - 0.16 * b)
    for (let px = 0; px < w; px++) {
      const first = Math.floor(from * columns + px * step)
      const v = (peak(bands[b], first, Math.max(first + 1, Math.floor(from * columns + (px + 1) * step))) / top) * room
      if (v > 0) context.fillRect(px, h / 2 - v, 1, 2 * v)
    }
  }
}

function peak(band: Uint8Array, from: number, to: number) {
  let most = 0
  for (let i = Math.max(0, from); i < to && i < band.length; i++) if (band[i] > most) most = band[i]
  return most
}
