<script setup lang="ts">
// A small button with an icon instead of words. It is a switch when pressed is
// given.
withDefaults(defineProps<{ icon: string; label: string; pressed?: boolean }>(), { pressed: undefined })
</script>

<template>
  <button type="button" class="plain" :class="{ on: pressed }" :aria-label="label" :aria-pressed="pressed">
    <i class="bi" :class="`bi-${icon}`" aria-hidden="true" />
  </button>
</template>
