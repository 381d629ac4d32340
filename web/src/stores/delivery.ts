import { api } from '../api'
import type { Engine } from '../engine/engine'
import type { Advanced, Change, Command, Outcome, Sent } from '../types'
import type { useNotices } from './notices'
import type { Outbox, Receiver } from './outbox'

// A command that was done and what takes it back.
export interface Part {
  id: string
  undo: Change[]
}

// An undo step: one command, or what was typed in one stretch.
export interface Step {
  parts: Part[]
  stretch?: string
}

interface Desk {
  clip: string
  notices: ReturnType<typeof useNotices>
  engine(): Engine
  box(): Outbox | null
  inOrder<T>(f: () => Promise<T>): Promise<T>
  // moved shows the clip anew after others' changes came beneath ours.
  moved(): Promise<void>
  steps(change: (list: Step[]) => Step[]): void
  done(part: Part): void
  // again does a command that a closed page had done.
  again(command: Sent): Promise<unknown>
}

// Delivery brings together what the server has and what waits here. It runs in
// the same queue as edits, so that neither overtakes the other.
export class Delivery implements Receiver {
  private restoring = ''

  constructor(private desk: Desk) {}

  took(answer: Outcome, sent: Sent[]) {
    return this.desk.inOrder(() => this.take(answer, sent))
  }

  private async take(answer: Outcome, sent: Sent[]) {
    const box = this.desk.box()
    if (!box) return
    const results = answer.results ?? []
    for (const r of results) {
      if (r.refused && box.has(r.id)) this.refused(r.what ?? 'a change', r.refused.message)
    }
    const commands = new Map(sent.map((s) => [s.id, s.command]))
    const taken = results.filter((r) => r.revision).map((r) => ({ ...r, revision: r.revision as number }))
    const news = new Map<number, { id: string; command?: Command }>(
      answer.missing.map((r) => [r.revision, { id: r.id, command: r.command }])
    )
    for (const r of taken)
      news.set(r.revision, { id: r.id, command: commands.get(r.id) ?? news.get(r.revision)?.command })
    const revisions = [...news.keys()].filter((n) => n > box.revision).sort((a, b) => a - b)
    const done = new Set(results.map((r) => r.id))
    let advanced: Advanced | null = null
    if (!answer.whole && revisions.every((n, i) => n === box.revision + 1 + i)) {
      const rows = revisions.map((n) => news.get(n) as Sent)
      for (const r of rows) done.add(r.id)
      const drop = results.filter((r) => !r.revision || r.revision <= box.revision).map((r) => r.id)
      if (!rows.length && !drop.length) return
      advanced = await this.desk
        .engine()
        .call('advance', { rows, drop, undo: this.restoring })
        .catch(() => null)
    }
    if (advanced) box.revision = revisions.at(-1) ?? box.revision
    else advanced = await this.whole(box, done)
    box.settled(done)
    if (!advanced.same) await this.moved(box, advanced)
  }

  // whole takes the whole clip of the server.
  private async whole(box: Outbox, done: Set<string>) {
    const got = await api.clip(this.desk.clip)
    const waiting = box.waits().filter((c) => !done.has(c.id))
    const advanced = await this.desk.engine().call('whole', { clip: got.clip, waiting })
    box.revision = got.revision
    return advanced
  }

  private async moved(box: Outbox, a: Advanced) {
    const lost = new Set((a.lost ?? []).map((l) => l.id))
    for (const l of a.lost ?? []) {
      this.refused(l.what, l.reason)
    }
    if (lost.size) box.settled(lost)
    const anew = a.undos ?? {}
    const renewed = (parts: Part[]) =>
      parts.filter((p) => !lost.has(p.id)).map((p) => ({ ...p, undo: anew[p.id]?.undo ?? p.undo }))
    this.desk.steps((list) => list.map((s) => ({ ...s, parts: renewed(s.parts) })).filter((s) => s.parts.length > 0))
    for (const u of Object.values(anew)) {
      if (u.stays) this.stays(u.stays)
    }
    if (anew[this.restoring]) {
      this.desk.done({ id: this.restoring, undo: anew[this.restoring].undo })
      this.restoring = ''
    }
    await this.desk.moved()
  }

  stays(what: string) {
    this.desk.notices.say(`Changed elsewhere since, so it stays as it is now: ${what}`, 'problem')
  }

  // refused says what was left out: the clip has changed beneath it.
  refused(what: string, reason: string) {
    this.desk.notices.say(`Left out: ${what}. ${reason.charAt(0).toUpperCase()}${reason.slice(1)}`, 'problem')
  }

  gone() {
    this.desk.notices.say('This clip was deleted elsewhere. What was not sent yet stays in this browser.', 'problem')
  }

  adopted(count: number) {
    this.desk.notices.say(
      count === 1
        ? 'A change that a closed page had not sent is sent now'
        : `${count} changes that a closed page had not sent are sent now`
    )
  }

  async replay(list: Sent[]) {
    const shown = new Set<string>()
    for (const c of list) {
      const done = await this.desk.again(c).then(
        () => true,
        () => false // the server tells why, when it is back
      )
      if (done) shown.add(c.id)
    }
    return shown
  }

  // restore brings a revision back; it is one undo step.
  async restore(revision: number, id: string) {
    const box = this.desk.box()
    if (!box) return
    await box.delivered()
    this.restoring = id
    await api.restore(this.desk.clip, revision, box.revision, id)
    await box.pull()
  }
}
