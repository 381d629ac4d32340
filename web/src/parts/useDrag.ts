// drag follows a pointer from its press to its release, wherever it goes. Escape
// takes it back.
export function drag(
  start: PointerEvent,
  move: (e: PointerEvent, dx: number, dy: number) => void,
  end: (moved: boolean, e: PointerEvent) => void
) {
  start.preventDefault()
  let moved = false
  let last: PointerEvent | null = null
  const onMove = (e: PointerEvent) => {
    last = e
    const dx = e.clientX - start.clientX
    const dy = e.clientY - start.clientY
    if (!moved && Math.hypot(dx, dy) < 3) return
    moved = true
    move(e, dx, dy)
  }
  const stop = (done: boolean, e: PointerEvent) => {
    window.removeEventListener('pointermove', onMove)
    window.removeEventListener('pointerup', onEnd)
    window.removeEventListener('pointercancel', onEnd)
    window.removeEventListener('keydown', onKey, true)
    end(done, e)
  }
  const onEnd = (e: PointerEvent) => stop(moved && e.type === 'pointerup', e)
  const onKey = (e: KeyboardEvent) => {
    if (e.key !== 'Escape') return
    e.preventDefault()
    e.stopPropagation()
    // Wherever it was let go, it ends as it began.
    const back = new PointerEvent('pointermove', { clientX: start.clientX, clientY: start.clientY })
    if (moved) move(back, 0, 0)
    stop(false, back)
  }
  window.addEventListener('pointermove', onMove)
  window.addEventListener('pointerup', onEnd)
  window.addEventListener('pointercancel', onEnd)
  window.addEventListener('keydown', onKey, true)
  // again takes the pointer's newest place once more, when what it means is
  // known better than it was.
  return { again: () => last && onMove(last) }
}
