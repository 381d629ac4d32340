import { api } from '../api'
import type { Clip, Command } from '../types'
import { Engine } from './engine'

export interface Drawn {
  w: number
  h: number
  pixels: Uint8Array
}

// Painters are the engines that draw. Each knows the clip and its pictures.
export class Painters {
  readonly engines: Engine[]
  private clip: Clip | null = null
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
    if (this.clip) await this.give(e, this.clip)
  }

  // pictures brings an engine the pictures of a clip that it lacks, and tells
  // whether there were any.
  private async pictures(e: Engine, clip: Clip) {
    const has = this.given.get(e) ?? new Set<string>()
    this.given.set(e, has)
    const used = new Set(clip.layers.map((l) => l.cutout?.prop))
    const lacks = clip.props.filter((p) => p.picture && used.has(p.id) && !has.has(p.hash))
    for (const p of lacks) {
      has.add(p.hash)
      let bytes = this.known.get(p.hash)
      if (!bytes) this.known.set(p.hash, (bytes = api.bytes(`/api/files/${p.hash}`)))
      try {
        await e.call('picture', p.hash, await bytes)
      } catch (error) {
        has.delete(p.hash)
        this.known.delete(p.hash)
        throw error
      }
    }
    return lacks.length > 0
  }

  // give brings an engine a clip. An engine answers in order, so what is drawn
  // next is drawn from this clip.
  private async give(e: Engine, clip: Clip) {
    const lacked = await this.pictures(e, clip)
    const opened = e.call('open', clip)
    if (lacked) await opened
    else opened.catch(() => undefined) // a crash says so by itself
  }

  // follow applies a command as the engine that edits did, which is quicker than
  // a whole clip; clip is what it leads to when it is kept.
  async follow(clip: Clip, command: Command | null, keep: boolean) {
    if (keep) this.clip = clip
    await Promise.all(
      this.engines.map(async (e) => {
        await this.pictures(e, clip)
        const followed = e.call('follow', command ? { command, keep } : { keep })
        if (keep) followed.catch(() => this.give(e, clip))
        else followed.catch(() => undefined) // it was refused there as it was here
      })
    )
  }

  // show gives the clip to all engines; it is done when pictures can be asked for.
  async show(clip: Clip) {
    this.clip = clip
    await Promise.all(this.engines.map((e) => this.give(e, clip)))
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
