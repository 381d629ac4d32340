import { useEventListener } from '@vueuse/core'

const fields = 'input, textarea, select, [contenteditable=true]'
const dialogs = '.modal, [role=dialog]'

// home gives the keyboard back to the clip: it is where the picture is, so that
// arrows move what is chosen and Space plays. Dialogs keep it.
export function home(from: EventTarget | null = document.activeElement) {
  if (from instanceof Element && from.closest(dialogs)) return
  // What belongs to words that are being written gives the keyboard back to them.
  const written = from instanceof Element && from.closest('[data-offer]') && document.querySelector('[data-writing]')
  if (written instanceof HTMLElement) return written.focus({ preventScroll: true })
  document.getElementById('tabletop')?.focus({ preventScroll: true })
}

const inDialog = (t: Element) => t.closest(dialogs) !== null

// useHome holds that keys belong to the clip unless a person types or walks
// with the keyboard: a press anywhere takes the focus from a field, which keeps
// what was typed, and a button that is pressed with the pointer does not take it.
export function useHome() {
  let pointed = false // the last thing that was done was done with the pointer

  useEventListener(
    window,
    'pointerdown',
    (e) => {
      pointed = true
      const t = e.target as Element
      const active = document.activeElement
      if (!active?.matches(fields) || active.contains(t) || inDialog(active) || inDialog(t)) return
      if (t.closest('[data-offer]')) return // it is about what is being typed
      if (t.closest('label')?.contains(active)) return
      home(active)
    },
    { capture: true }
  )
  useEventListener(window, 'keydown', () => (pointed = false), { capture: true })

  useEventListener(
    window,
    'mousedown',
    (e) => {
      const t = e.target as Element
      if (inDialog(t) || t.closest(fields) || t.closest('[draggable=true]')) return
      if (t.closest('button, [role=button], a, summary, [tabindex]')) e.preventDefault()
    },
    { capture: true }
  )

  // What is chosen from a list, ticked or slid is done with.
  useEventListener(window, 'change', (e) => {
    const t = e.target as Element
    if (pointed && t.matches('select, [type=checkbox], [type=radio], [type=range], [type=color]')) home(t)
  })
}
