import { useEventListener, useMutationObserver } from '@vueuse/core'

// useFound holds that the keyboard never falls to the page's body: when what had it
// is gone, the picture has it, or the page's main part.
export function useFound() {
  let last: Element | null = null
  useEventListener(window, 'focusin', (e) => (last = e.target as Element))
  useMutationObserver(
    document.body,
    () => {
      if (document.activeElement !== document.body || !last || last.isConnected) return
      const to = document.getElementById('tabletop') ?? document.querySelector<HTMLElement>('main')
      to?.focus({ preventScroll: true })
    },
    { childList: true, subtree: true }
  )
}
