// What must not compile; checked by vue-tsc, part of no page.
import type { Engine } from './engine/engine'
import type { Command } from './types'

// @ts-expect-error there is no such command
export const misspelt: Command = { type: 'setKee', layer: 'a' }

// @ts-expect-error a key is missing
export const halfSaid: Command = { type: 'setKey', layer: 'a', property: 'position' }

// @ts-expect-error there is no such blend mode
export const wrongMode: Command = { type: 'setLayer', layer: 'a', set: { blend: 'multiplied' } }

// @ts-expect-error the engine is not asked that
export const unasked = (e: Engine) => e.call('propertys', null)
