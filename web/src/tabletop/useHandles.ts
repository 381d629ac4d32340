import { computed, useTemplateRef } from 'vue'
import { useTabletop } from './useTabletop'

// useHandles turns drags over the picture into commands, for handles that stand in a group
// of its drawing: the element whose ref is "group". The size is the picture's pixels.
export function useHandles(size: Readonly<{ w: number; h: number }>) {
  const group = useTemplateRef<SVGGElement>('group')
  const svg = computed(() => (group.value?.ownerSVGElement ?? null) as SVGSVGElement | null)
  return useTabletop(
    svg,
    () => size.w,
    () => size.h
  )
}
