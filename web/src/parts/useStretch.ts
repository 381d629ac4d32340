import { computed } from 'vue'
import { useEditor } from '../stores/editor'
import { home } from '../editor/useHome'

let count = 0

// useStretch is a field's side of typing: what it asks for while it has the
// focus is one stretch. late fields are kept only when they are left, since what
// they say halfway would do harm.
export function useStretch(late: () => boolean | undefined) {
  const { typing } = useEditor()
  let now = ''

  const refusal = computed(() => {
    const r = typing.refusal.value
    return r && r.stretch === now ? r.reason : ''
  })

  return {
    refusal,
    begin: () => (now = `${++count}`),
    write: (ask: () => void) => typing.within(now || (now = `${++count}`), late() ?? false, ask),
    settle: () => typing.settle(),
    // leave ends a stretch that the keyboard has ended: keys belong to the clip.
    leave: (field: EventTarget | null) => home(field),
    async forget() {
      await typing.forget(now)
      now = `${++count}`
    }
  }
}
