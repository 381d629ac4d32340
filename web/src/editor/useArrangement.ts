import { useWindowSize } from '@vueuse/core'
import { computed } from 'vue'
import { useDesk } from '../stores/desk'
import { useEditor } from '../stores/editor'

// Pixels of what does not grow with the window.
const top = 42
const bar = 36
const strip = 34 // the Tabletop's switches
const margin = 6 // around the picture
const lanes = 600 + 108 // time, and the shortest names before it
const leastLanes = 82 + 7 * 25 + 2 // the ruler and seven rows

export type Arrangement = 'beside' | 'above' | 'stacked' | 'alone'

// useArrangement gives the picture its room: a tall or square one stands beside
// everything else at the window's full height, a wide one lies above the Beatline.
// In a small window, all lies one below the other and the page scrolls.
export function useArrangement() {
  const editor = useEditor()
  const desk = useDesk()
  const page = useWindowSize()
  const ratio = computed(() => (editor.shapeNow?.w ?? 1) / (editor.shapeNow?.h ?? 1))

  const name = computed<Arrangement>(() => {
    if (page.width.value < 900 || page.height.value < 560) return 'stacked'
    if (desk.alone) return 'alone'
    return ratio.value > 1.25 ? 'above' : 'beside'
  })

  const shareOf = (divider: string, whole: number, usual: number, least: number, most: number) => {
    const share = desk.dividers[`${name.value}-${divider}`]
    return Math.round(Math.max(least, Math.min(most, share ? share * whole : usual)))
  }

  // The picture's column, and the Beatline's height with its bar.
  const column = computed(() => {
    const { width: w, height: h } = { width: page.width.value, height: page.height.value }
    const beside = name.value === 'beside'
    const high = h - top - (beside ? bar + strip : bar + leastLanes) - 2 * margin
    const usual = high * ratio.value + 2 * margin + (beside ? 0 : strip)
    return shareOf('column', w, Math.min(usual, w - (beside ? Math.min(lanes, 0.62 * w) : 400)), 240, w - 360)
  })
  const beat = computed(() => {
    const h = page.height.value - top
    const above = name.value === 'above'
    const fits = h - (column.value - 2 * margin - strip) / ratio.value - 2 * margin // of a wide picture
    const usual = above ? Math.max(bar + leastLanes, fits) : Math.max(bar + leastLanes, 0.42 * h, h - 480)
    return shareOf('beat', page.height.value, usual, 150, h - 170)
  })

  const style = computed(() => {
    const proofs = page.width.value < 1200 ? 104 : 132
    switch (name.value) {
      case 'beside':
        return {
          gridTemplateColumns: `${column.value}px minmax(0, 1fr) ${proofs}px`,
          gridTemplateRows: `${top}px minmax(0, 1fr) ${bar}px minmax(0, ${beat.value - 2 * bar}px) ${bar}px`,
          gridTemplateAreas: `'top top top' 'table side proofs' 'table tools tools' 'table beat beat' 'play beat beat'`
        }
      case 'above':
        return {
          gridTemplateColumns: `${column.value}px minmax(0, 1fr) ${proofs}px`,
          gridTemplateRows: `${top}px minmax(0, 1fr) ${bar}px minmax(0, ${beat.value - bar}px)`,
          gridTemplateAreas: `'top top top' 'table side proofs' 'play tools tools' 'beat beat beat'`
        }
      case 'alone':
        return {
          gridTemplateColumns: 'minmax(0, 1fr)',
          gridTemplateRows: `minmax(0, 1fr) ${bar}px`,
          gridTemplateAreas: `'table' 'play'`
        }
      default:
        return {
          height: 'auto',
          gridTemplateColumns: 'minmax(0, 1fr)',
          gridTemplateRows: `auto 86vh ${bar}px auto 320px auto auto`,
          gridTemplateAreas: `'top' 'table' 'play' 'tools' 'beat' 'side' 'proofs'`
        }
    }
  })

  // Dividers, where they can be dragged.
  const dividers = computed(() => {
    const beside = name.value === 'beside'
    if (!beside && name.value !== 'above') return []
    const w = page.width.value
    const h = page.height.value
    const end = beside ? { left: column.value, right: 0 } : { left: 0, right: 0 }
    return [
      { id: 'column', upright: true, at: column.value, from: top, to: beside ? h : h - beat.value, whole: w, sign: 1 },
      { id: 'beat', upright: false, at: h - beat.value, from: end.left, to: w, whole: h, sign: -1 }
    ]
  })

  function move(divider: string, share: number) {
    desk.dividers = { ...desk.dividers, [`${name.value}-${divider}`]: share }
  }

  function reset(divider: string) {
    const gone = `${name.value}-${divider}`
    desk.dividers = Object.fromEntries(Object.entries(desk.dividers).filter(([id]) => id !== gone))
  }

  return { name, style, dividers, column, beat, move, reset }
}
