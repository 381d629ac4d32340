import { shallowRef } from 'vue'
import type { Command, Variant } from '../types'

// loneVariant is the variant that is worked on by itself, if one is: what is done then is an
// adjustment of it and touches no other.
export function loneVariant() {
  const variant = shallowRef<Variant | null>(null)

  function wrapped(command: Command): Command {
    if (!variant.value || command.type === 'undo') return command
    return { type: 'adjust', ...variant.value, command }
  }

  return { variant, wrapped }
}
