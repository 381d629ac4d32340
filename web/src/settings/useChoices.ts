import { computed, ref, watch } from 'vue'
import { useEditor } from '../stores/editor'
import type { Choices } from '../types'

const none: Choices = { groups: [], scenes: [], leaders: [], cuts: [], figures: [], windows: [] }

// useChoices is what a layer may be tied to: the engine says it anew whenever
// the layers or their ties are others.
export function useChoices(layer: () => string) {
  const editor = useEditor()
  const choices = ref(none)
  const ties = computed(() =>
    JSON.stringify(editor.clip?.layers.map((l) => [l.id, l.name, l.kind, l.group, l.follow?.layer, !!l.card?.hole]))
  )
  watch(
    [layer, ties],
    async () => {
      const id = layer()
      const now = id ? await editor.ask('choices', id).catch(() => none) : none
      if (id === layer()) choices.value = now
    },
    { immediate: true }
  )
  return choices
}
