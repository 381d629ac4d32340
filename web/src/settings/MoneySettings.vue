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
  <div class="three">
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
