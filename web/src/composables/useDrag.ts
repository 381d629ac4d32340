// drag follows a pointer from its press to its release, wherever it goes.
export function drag(
  start: PointerEvent,
  move: (e: PointerEvent, dx: number, dy: number) => void,
  end: (moved: boolean, e: PointerEvent) => void
) {
  start.preventDefault()
  let moved = false
  const onMove = (e: PointerEvent) => {
    const dx = e.clientX - start.clientX
    const dy = e.clientY - start.clientY
    if (!moved && Math.hypot(dx, dy) < 3) return
    moved = true
    move(e, dx, dy)
  }
  const onEnd = (e: PointerEvent) => {
    window.removeEventListener('pointermove', onMove)
    window.removeEventListener('pointerup', onEnd)
    window.removeEventListener('pointercancel', onEnd)
    end(moved && e.type === 'pointerup', e)
  }
  window.addEventListener('pointermove', onMove)
  window.addEventListener('pointerup', onEnd)
  window.addEventListener('pointercancel', onEnd)
}
