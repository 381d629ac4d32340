<script setup lang="ts">
// What else can be done with something, behind a small button.
defineProps<{ label: string }>()
</script>

<template>
  <BDropdown
    variant="link"
    size="sm"
    no-caret
    lazy
    teleport-to="body"
    toggle-class="plain-toggle more"
    :aria-label="label"
  >
    <template #button-content><i class="bi bi-three-dots" aria-hidden="true" :title="label" /></template>
    <slot />
  </BDropdown>
</template>
