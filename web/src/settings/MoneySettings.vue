<script setup lang="ts">
import { moneyCents, moneySigns, moneyZeros } from '../gen/catalogue'
import type { Money } from '../types'
import ChoiceField from '../parts/ChoiceField.vue'

// How amounts look among words.
const props = defineProps<{ money?: Money | null }>()
const emit = defineEmits<{ set: [money: Money] }>()
const set = (values: Partial<Money>) => emit('set', { ...props.money, ...values })
</script>

<template>
  <div class="ways">
    <ChoiceField
      label="Cents"
      :value="money?.cents ?? ''"
      :options="[...moneyCents]"
      @change="set({ cents: $event as Money['cents'] })"
    />
    <ChoiceField
      label="Cents of zero"
      :value="money?.zeros ?? ''"
      :options="[...moneyZeros]"
      @change="set({ zeros: $event as Money['zeros'] })"
    />
    <ChoiceField
      label="Currency sign"
      :value="money?.sign ?? ''"
      :options="[...moneySigns]"
      @change="set({ sign: $event as Money['sign'] })"
    />
  </div>
</template>

<style scoped>
/* In a narrow panel they lie below each other, so that what is chosen can be read. */
.ways {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(8.5rem, 1fr));
  gap: 0.3rem 0.5rem;
}
</style>
