<script setup lang="ts">
// A small picture of a form of figures.
defineProps<{ form: string }>()
const paths: Record<string, string> = {
  card: 'M3 5.5a2.5 2.5 0 0 1 2.5-2.5h9a2.5 2.5 0 0 1 2.5 2.5v9a2.5 2.5 0 0 1-2.5 2.5h-9a2.5 2.5 0 0 1-2.5-2.5z',
  disc: 'M10 2.5a7.5 7.5 0 0 1 0 15a7.5 7.5 0 0 1 0-15z',
  ring: 'M10 2.5a7.5 7.5 0 0 1 0 15a7.5 7.5 0 0 1 0-15zM10 6.5a3.5 3.5 0 0 0 0 7a3.5 3.5 0 0 0 0-7z',
  polygon: 'M10 2l7 4v8l-7 4-7-4V6z',
  star: 'M10 1.8l2.4 5.3 5.7.6-4.3 3.9 1.2 5.7-5-2.9-5 2.9 1.2-5.7L1.900 7.700l5.700-.6z',
  burst:
    'M10 1.700l1.900 2.100 2.700-.8.6 2.800 2.800.6-.8 2.700 2.100 1.900-2.100 1.900.8 2.700-2.800.6-.6 2.800-2.700-.8L10 20l-1.900-1.800-2.700.8-.6-2.800-2.800-.6.8-2.700L.700 11l2.100-1.900L2 6.400l2.800-.6L5.400 3l2.700.8z',
  arrow: 'M2 7.500h9V4l7 6-7 6v-3.500H2z',
  tag: 'M8 4h10v12H8L3 12V8zM6.500 8.600a1.400 1.400 0 0 0 0 2.800a1.400 1.400 0 0 0 0-2.800z',
  ticket: 'M2 5h16v3a2 2 0 0 0 0 4v3H2v-3a2 2 0 0 0 0-4z',
  ribbon: 'M1 5.500h18l-3 4.500 3 4.500H1l3-4.500z',
  line: 'M2 9h16v2H2z',
  path: 'M2 14C5 2 9 3 10 9s5 6 8-2l-1.500-.7C14 11.500 12.500 11 12 8 10.800.500 3.500 1 .500 13.500z'
}
</script>

<template>
  <svg viewBox="0 0 20 20" width="18" height="18" aria-hidden="true"><path :d="paths[form]" fill="currentColor" /></svg>
</template>
