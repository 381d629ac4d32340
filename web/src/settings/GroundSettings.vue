<script setup lang="ts">
import { computed } from 'vue'
import type { Layer } from '../types'
import NumberField from '../parts/NumberField.vue'
import { useValues } from './useValues'

// More of a layer's shadows: one on the other side, and what it leaves on the ground,
// a shadow where it stands and its reflection. They follow it by themselves.
const props = defineProps<{ layer: Layer }>()
const { now, set } = useValues(() => props.layer)
const mirrored = computed(() => now('reflection') > 0)
const grounded = computed(() => mirrored.value || now('contact') > 0)
</script>

<template>
  <div class="pair second">
    <NumberField
      label="Second shadow"
      unit="%"
      title="On the other side, as strong as this of the first"
      :value="now('secondShadow')"
      @change="set('secondShadow', $event)"
    />
    <NumberField
      label="Inner shadow"
      unit="%"
      title="That its own edge casts into it"
      :value="now('innerShadow')"
      @change="set('innerShadow', $event)"
    />
  </div>
  <h2>On the ground</h2>
  <div class="three">
    <NumberField
      label="Contact"
      unit="%"
      title="A shadow where it stands; it fades and spreads as it rises"
      :value="now('contact')"
      @change="set('contact', $event)"
    />
    <NumberField label="Reflection" unit="%" :value="now('reflection')" @change="set('reflection', $event)" />
    <NumberField v-if="grounded" label="Ground lower" :value="now('below')" @change="set('below', $event)" />
    <template v-if="mirrored">
      <NumberField
        label="Length"
        unit="%"
        :value="now('reflectionLength', 40)"
        @change="set('reflectionLength', $event)"
      />
      <NumberField label="Blur" :value="now('reflectionBlur')" @change="set('reflectionBlur', $event)" />
    </template>
  </div>
</template>

<style scoped>
.second {
  margin-top: 0.4rem;
}
</style>
