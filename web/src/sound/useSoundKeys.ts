import { onKeyStroke } from '@vueuse/core'
import { useDesk } from '../stores/desk'
import type { TunePlayer } from './useTunePlayer'

// Space plays and stops, C lets beats click.
export function useSoundKeys(player: TunePlayer) {
  const free = (e: KeyboardEvent) =>
    !e.ctrlKey &&
    !e.metaKey &&
    !e.altKey &&
    !(e.target as Element).closest('input, textarea, select, button, summary, [role=slider]')
  onKeyStroke(' ', (e) => {
    if (!free(e)) return
    e.preventDefault()
    player.toggle()
  })
  onKeyStroke('c', (e) => {
    if (free(e)) useDesk().clicks = !useDesk().clicks
  })
}
