import { api } from '../api'
import type { Clip, Command } from '../types'
import { Engine } from './engine'

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

// Painters are the engines that draw. Each knows the clip and its pictures.
export class Painters {
  readonly engines: Engine[]
  private state: State | null = null
  private known = new Map<string, Promise<Uint8Array>>()
  private wanted: Command | null = null
  private pump: Promise<void> | null = null
  private proofed = 0
  private given = new Map<Engine, Set<string>>()

  constructor(count: number, onCrash: (reason: string) => void) {
    this.engines = Array.from({ length: count }, () => new Engine(onCrash, (e) => this.restore(e)))
  }

  private async restore(e: Engine) {
    this.given.delete(e)
    if (this.state) await this.give(e, this.state)
  }

  // pictures brings an engine the pictures that it lacks, and tells whether
  // there were any.
  private async pictures(e: Engine, needs: string[]) {
    const has = this.given.get(e) ?? new Set<string>()
    this.given.set(e, has)
    const lacks = needs.filter((hash) => !has.has(hash))
    for (const hash of lacks) {
      has.add(hash)
      let bytes = this.known.get(hash)
      if (!bytes) this.known.set(hash, (bytes = api.bytes(`/api/files/${hash}`)))
      try {
        await e.call('picture', hash, await bytes)
      } catch (error) {
        has.delete(hash)
        this.known.delete(hash)
        throw error
      }
    }
    return lacks.length > 0
  }

  // give brings an engine a clip. An engine answers in order, so what is drawn
  // next is drawn from this clip.
  private async give(e: Engine, { clip, needs }: State) {
    const lacked = await this.pictures(e, needs)
    const opened = e.call('open', clip)
    if (lacked) await opened
    else opened.catch(() => undefined) // a crash says so by itself
  }

  // follow applies a command as the engine that edits did, which is quicker than
  // a whole clip; state is what it leads to when it is kept.
  async follow(state: State, command: Command | null, keep: boolean) {
    if (keep) this.state = state
    await Promise.all(
      this.engines.map(async (e) => {
        await this.pictures(e, state.needs)
        const followed = e.call('follow', command ? { command, keep } : { keep })
        if (keep) followed.catch(() => this.give(e, state))
        else followed.catch(() => undefined) // it was refused there as it was here
      })
    )
  }

  // show gives the clip to all engines; it is done when pictures can be asked for.
  async show(state: State) {
    this.state = state
    await Promise.all(this.engines.map((e) => this.give(e, state)))
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
      const engines = due ? this.engines : this.engines.slice(0, 1)
      await Promise.all(engines.map((e) => e.call('follow', { command, keep: false }).catch(() => undefined)))
      shown(due)
      // Twice as long for the Beatline: the machine is shared.
      if (!this.wanted) return
      await new Promise((r) => setTimeout(r, Math.min(80, 2 * (performance.now() - began))))
    }
  }

  async draw(engine: number, shape: string, w: number, h: number, frame: number): Promise<Drawn> {
    const pixels = await this.engines[engine].call('draw', { shape, w, h, frame })
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
