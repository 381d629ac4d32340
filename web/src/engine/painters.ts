import { api } from '../api'
import type { Clip, Command } from '../types'
import { Engine, type Told } from './engine'
import { firstParts } from './parts'

export interface Drawn {
  w: number
  h: number
  pixels: Uint8Array
}

// A clip and the hashes of the pictures that it is made of.
interface State {
  clip: Clip
  needs: string[]
}

// Painters are the engines that draw. Each knows the clip and its pictures; the
// first draws the Tabletop, and has the machine for itself until it has drawn once.
export class Painters {
  readonly engines: Engine[]
  private state: State | null = null
  private solo: string[] = []
  private loud = false
  private way = { layer: '', as: '' }
  private known = new Map<string, Promise<Uint8Array>>()
  private wanted: Command | null = null
  private pump: Promise<void> | null = null
  private proofed = 0
  private given = new Map<Engine, Set<string>>()
  private ready = new Set<Engine>() // those that have the clip and its pictures
  private drew: () => void = () => undefined
  private round = 0 // counts the states that were given to all
  private drewNext: () => void = () => undefined
  private first = new Promise<void>((resolve) => (this.drew = resolve))

  constructor(count: number, told: Told) {
    this.engines = Array.from({ length: count }, () => new Engine(told, (e) => this.restore(e)))
    this.engines[0].start()
  }

  private async restore(e: Engine) {
    this.given.delete(e)
    this.ready.delete(e)
    if (this.state) await this.give(e)
  }

  // knows tells whether an engine can draw the clip.
  knows(engine: number) {
    return this.ready.has(this.engines[engine])
  }

  // pictures brings an engine the pictures that it lacks, and tells whether
  // there were any.
  private async pictures(e: Engine, needs: string[]) {
    const has = this.given.get(e) ?? new Set<string>()
    this.given.set(e, has)
    const lacks = needs.filter((hash) => !has.has(hash))
    await Promise.all(
      lacks.map(async (hash) => {
        has.add(hash)
        try {
          const footage = this.state?.clip.props.find((p) => p.hash === hash)?.footage
          if (footage) await this.footage(e, hash, !!footage.alpha)
          else await e.call('picture', hash, await this.fetched(hash))
        } catch (error) {
          has.delete(hash)
          this.known.delete(hash)
          throw error
        }
      })
    )
    return lacks.length > 0
  }

  // footage brings an engine the beginning of its file, where its index is.
  private async footage(e: Engine, hash: string, alpha: boolean) {
    for (let parts = 1; !(await e.call('footageFile', { hash, alpha }, await firstParts(hash, parts))); parts *= 4);
  }

  private fetched(hash: string) {
    let bytes = this.known.get(hash)
    if (!bytes) this.known.set(hash, (bytes = api.bytes(`/api/files/${hash}`)))
    return bytes
  }

  // give brings an engine the clip, as it is by then. An engine answers in order,
  // so what is drawn next is drawn from this clip.
  private async give(e: Engine) {
    let state: State
    do {
      state = this.state as State
      const lacked = await this.pictures(e, state.needs)
      const opened = e.call('open', state.clip)
      if (this.solo.length) e.call('solo', this.solo).catch(() => undefined)
      if (this.loud) e.call('shadows', true).catch(() => undefined)
      if (this.way.layer) e.call('lookAs', this.way).catch(() => undefined)
      if (lacked || !this.ready.has(e)) await opened
      else opened.catch(() => undefined) // a crash says so by itself
    } while (state !== this.state)
    this.ready.add(e)
  }

  // follow applies a command as the engine that edits did, which is quicker than
  // a whole clip; state is what it leads to when it is kept.
  async follow(state: State, command: Command | null, keep: boolean) {
    if (keep) this.state = state
    this.round++
    await Promise.all(
      [...this.ready].map(async (e) => {
        await this.pictures(e, state.needs)
        const followed = e.call('follow', command ? { command, keep } : { keep })
        if (keep) followed.catch(() => this.give(e))
        else followed.catch(() => undefined) // it was refused there as it was here
      })
    )
  }

  // show gives the clip to all engines. It is done when the first can draw it;
  // others tells when the others can, which matters when they are not ready yet.
  async show(state: State, others: () => void) {
    this.state = state
    this.round++
    const [first, ...rest] = this.engines
    const late = rest.filter((e) => !this.ready.has(e))
    const given = this.give(first)
    const soon = rest.filter((e) => this.ready.has(e)).map((e) => this.give(e))
    if (late.length)
      this.first
        .then(() => Promise.all(late.map((e) => this.give(e))))
        .then(others)
        .catch(() => undefined) // a crash says so by itself, a lost picture with the next change
    await Promise.all([given, ...soon])
    // What cannot be seen is not drawn: then the others do not wait for it.
    setTimeout(this.drew, 1000)
  }

  // shadows shows them in a loud colour, or as they are; not part of the clip.
  async shadows(loud: boolean) {
    this.loud = loud
    await Promise.all([...this.ready].map((e) => e.call('shadows', loud)))
  }

  // lookAs lets a layer be looked at in another way, or all as they are; not part of the clip.
  async lookAs(layer: string, as: 'matte' | 'came') {
    this.way = { layer, as }
    await Promise.all([...this.ready].map((e) => e.call('lookAs', this.way)))
  }

  // alone shows some layers only; not part of the clip.
  async alone(layers: string[]) {
    this.solo = layers
    await Promise.all([...this.ready].map((e) => e.call('solo', layers)))
  }

  // preview lets the painters show a command that is not kept. While one is
  // under way only the newest waits; the proofs' painter follows twice a
  // second, so that the picture and the Beatline have the machine: shown is told
  // whether it did.
  preview(command: Command, shown: (proofs: boolean) => void): Promise<void> {
    this.wanted = command
    this.pump ??= this.run(shown).finally(() => (this.pump = null))
    return this.pump
  }

  // settled forgets what waits to be shown and is done when nothing is under way.
  async settled() {
    this.wanted = null
    await this.pump
  }

  private async run(shown: (proofs: boolean) => void) {
    while (this.wanted) {
      const command = this.wanted
      this.wanted = null
      const began = performance.now()
      const due = performance.now() - this.proofed > 400
      if (due) this.proofed = performance.now()
      const [first, ...rest] = this.engines
      const follow = (e: Engine) =>
        this.ready.has(e) && e.call('follow', { command, keep: false }).catch(() => undefined)
      const followed = follow(first)
      shown(false) // what is drawn from now on comes after it: an engine answers in order
      await followed
      if (due) this.nextDrawn().then(this.unlessKept(() => Promise.all(rest.map(follow)).then(() => shown(true))))
      // Twice as long for the Beatline: the machine is shared.
      if (!this.wanted) return
      await new Promise((r) => setTimeout(r, Math.min(80, 2 * (performance.now() - began))))
    }
  }

  // unlessKept does something later, if no state was given to all until then, which would be
  // newer than a command that is only shown.
  private unlessKept(later: () => unknown) {
    const round = this.round
    return () => void (round === this.round && later())
  }

  // nextDrawn waits for the next picture of the first engine, which has the machine
  // for itself, if there is one.
  private nextDrawn() {
    const drawn = new Promise<void>((resolve) => (this.drewNext = resolve))
    return Promise.race([drawn, new Promise<void>((r) => setTimeout(r, 200))])
  }

  async draw(engine: number, shape: string, w: number, h: number, frame: number): Promise<Drawn> {
    if (!this.knows(engine)) throw new Error('it does not have the clip yet')
    const pixels = await this.engines[engine].call('draw', { shape, w, h, frame })
    this.drew()
    if (!engine) this.drewNext()
    return { w, h, pixels }
  }

  stop() {
    for (const e of this.engines) e.stop()
  }
}

export function put(canvas: HTMLCanvasElement, d: Drawn, alpha = false) {
  if (canvas.width !== d.w || canvas.height !== d.h) {
    canvas.width = d.w
    canvas.height = d.h
  }
  const data = new Uint8ClampedArray(d.pixels.buffer as ArrayBuffer, d.pixels.byteOffset, d.pixels.byteLength)
  canvas.getContext('2d', { alpha })?.putImageData(new ImageData(data, d.w, d.h), 0, 0)
}
