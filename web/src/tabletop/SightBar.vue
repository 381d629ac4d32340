<script setup lang="ts">
import { computed } from 'vue'
import { useSight } from './useSight'
import IconButton from '../parts/IconButton.vue'

// How large the picture is seen, as a share of its export.
const props = defineProps<{ upright?: boolean }>()
const sight = useSight()
// Beside a narrow picture there is no room for all; the wheel and the keys are left.
const narrow = computed(() => !props.upright && sight.room.w < 440)
</script>

<template>
  <div class="sight" :class="{ upright }" role="group" aria-label="How large the picture is seen">
    <IconButton v-if="!narrow" icon="dash-lg" label="Smaller" title="Smaller (-)" @click="sight.zoomBy(1 / 1.25)" />
    <button
      class="plain share"
      :title="sight.fitted.value ? 'As large as its export: 100% (Z)' : 'All of the picture (Z)'"
      :aria-label="`${Math.round(sight.scale.value * 100)}%: ${sight.fitted.value ? 'see it at 100%' : 'see all of it'}`"
      @click="sight.toggle()"
    >
      {{ Math.round(sight.scale.value * 100) }}%
    </button>
    <IconButton
      v-if="!narrow"
      icon="plus-lg"
      label="Larger"
      title="Larger (+), or Ctrl and the wheel"
      @click="sight.zoomBy(1.25)"
    />
  </div>
</template>

<style scoped>
.sight {
  display: flex;
  align-items: center;
  margin: 0 0.4rem;
  border-radius: 6px;
  background: var(--chalk);
  color: var(--harbour);
}

.sight.upright {
  flex-direction: column;
  margin: 0.4rem 0;
}

.share {
  min-width: 2.6rem;
  padding: 0.15rem 0;
  font-size: 0.74rem;
}

.upright .share {
  min-width: 0;
}
</style>
