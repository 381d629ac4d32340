<script setup lang="ts">
import type { Shelved } from '../api'
import MoreMenu from '../parts/MoreMenu.vue'
import { listed } from '../words'

// What else a prop is good for, and where it is used; what nothing uses can be taken from
// the shelf.
defineProps<{ item: Shelved }>()
const emit = defineEmits<{ remove: []; lay: []; apart: []; put: []; bench: [] }>()
</script>

<template>
  <MoreMenu :label="`More about ${item.prop.name}`">
    <BDropdownItemButton v-if="item.prop.kind === 'footage'" @click="emit('put')">
      <i class="bi bi-box-seam" aria-hidden="true" /> Place it as a piece of its own size
    </BDropdownItemButton>
    <BDropdownItemButton
      v-if="item.prop.kind === 'cutout' || (item.prop.footage && (!item.prop.footage.alpha || item.cut))"
      @click="emit('bench')"
    >
      <i class="bi bi-scissors" aria-hidden="true" />
      {{
        (item.opaque || item.prop.footage) && !item.cut
          ? 'Take its background off on the Bench'
          : 'Open it on the Bench'
      }}
    </BDropdownItemButton>
    <BDropdownItemButton v-if="item.prop.picture" @click="emit('lay')">
      <i class="bi bi-card-image" aria-hidden="true" /> Lay it behind all, over the frame
    </BDropdownItemButton>
    <template v-if="item.prop.picture?.drawing">
      <BDropdownItemButton @click="emit('apart')">
        <i class="bi bi-bezier2" aria-hidden="true" /> Place it as figures
      </BDropdownItemButton>
      <BDropdownText v-if="item.prop.picture.drawing.leftOut?.length" class="used">
        Left out: {{ listed(item.prop.picture.drawing.leftOut) }}
      </BDropdownText>
    </template>
    <BDropdownText v-if="item.clips.length" class="used">
      Used in {{ listed(item.clips.map((c) => c.name)) }}
    </BDropdownText>
    <template v-else>
      <BDropdownText class="used">No clip uses it.</BDropdownText>
      <BDropdownItemButton @click="emit('remove')">Take it from the shelf</BDropdownItemButton>
    </template>
  </MoreMenu>
</template>

<style scoped>
.used {
  max-width: 17rem;
  font-size: 0.82rem;
}
</style>
