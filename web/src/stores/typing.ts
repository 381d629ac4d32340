import { ref } from 'vue'
import type { Command } from '../types'

// How long a person stops typing before what is typed is kept, in milliseconds.
const pause = 350

interface Desk {
  show(command: Command): void
  // keep applies a command for good, as a part of the stretch's undo step. It
  // tells why it cannot.
  keep(command: Command, stretch: string): Promise<string>
  // takeBack undoes what was kept of a stretch.
  takeBack(stretch: string): Promise<unknown>
}

// Typing carries what is typed into a field to the clip: it is seen at once,
// kept at the first pause, and one undo step in the end. A stretch is from when a
// field is entered until it is left.
export class Typing {
  readonly waits = ref(false) // something typed is not kept yet
  readonly refusal = ref<{ stretch: string; reason: string } | null>(null)
  private stretch = ''
  private late = false
  private pending: { command: Command; stretch: string } | null = null
  private timer: ReturnType<typeof setTimeout> | undefined

  constructor(private desk: Desk) {}

  // within runs what a field asks for as typing: commands that are given in it
  // belong to the stretch. Late ones are seen at once but kept only in the end.
  within(stretch: string, late: boolean, ask: () => void) {
    this.stretch = stretch
    this.late = late
    try {
      ask()
    } finally {
      this.stretch = ''
    }
  }

  // takes tells whether a command was typed, and takes it then.
  takes(command: Command) {
    if (!this.stretch) return false
    if (this.pending?.stretch !== this.stretch) this.settle()
    this.pending = { command, stretch: this.stretch }
    this.waits.value = true
    clearTimeout(this.timer)
    if (!this.late) this.timer = setTimeout(() => this.settle(), pause)
    this.desk.show(command)
    return true
  }

  // settle keeps what was typed so far.
  settle() {
    clearTimeout(this.timer)
    const now = this.pending
    this.pending = null
    if (!now) return
    this.desk.keep(now.command, now.stretch).then((reason) => {
      this.refusal.value = reason ? { stretch: now.stretch, reason } : null
      this.waits.value = this.pending !== null
    })
  }

  // forget takes back all of a stretch.
  forget(stretch: string) {
    clearTimeout(this.timer)
    this.pending = null
    this.waits.value = false
    this.refusal.value = null
    return this.desk.takeBack(stretch)
  }
}
