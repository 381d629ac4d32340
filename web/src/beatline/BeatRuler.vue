<script setup lang="ts">
import { computed } from 'vue'
import { leftRoom } from './beatline'
import { sectionKinds } from '../gen/catalogue'
import { useDesk } from '../stores/desk'
import { useEditor } from '../stores/editor'

// The ruler: the tune's waveform with its hits, bars and beats, seconds and
// frames beneath.
const props = defineProps<{ scale: number; width: number }>()
const editor = useEditor()
const x = (frame: number) => leftRoom + frame * props.scale

const wave = computed(() => {
  const w = editor.view.wave
  if (!w.length) return ''
  const up = w.map((l) => `${x(l.frame).toFixed(1)},${(13 - l.peak * 11).toFixed(1)}`)
  const down = w.map((l) => `${x(l.frame).toFixed(1)},${(13 + l.peak * 11).toFixed(1)}`).reverse()
  return [...up, ...down].join(' ')
})

const desk = useDesk()
// Clear hits; while it is set what happens on hits, those at which it does.
const strong = computed(() => {
  const wanted = desk.striking
  if (wanted) return editor.view.hits.filter((h) => wanted.includes(h.frame))
  return editor.view.hits.filter((h) => h.strength >= Math.min(0.45, desk.leastHit))
})
const beatRoom = computed(() =>
  editor.view.beats.length > 1 ? (editor.view.beats[1].frame - editor.view.beats[0].frame) * props.scale : 0
)

const sectionName = (kind: string) => sectionKinds.find((k) => k.id === kind)?.name ?? kind

const range = computed(() => editor.view.range)

const seconds = computed(() => {
  const rate = editor.clip?.rate ?? 30
  const every = [1, 2, 5, 10, 30, 60].find((s) => s * rate * props.scale > 46) ?? 120
  const marks = []
  for (let s = 0; s * rate < editor.view.length; s += every) marks.push({ frame: s * rate, text: `${s}s` })
  return marks
})
</script>

<template>
  <svg class="ruler" :width="width" height="60">
    <template v-if="range">
      <rect :x="0" y="43" :width="x(range[0])" height="16" class="out" />
      <rect :x="x(range[1])" y="43" :width="Math.max(0, x(editor.view.length) - x(range[1]))" height="16" class="out" />
      <path :d="`M${x(range[0])} 43v16M${x(range[1])} 43v16`" class="ends" data-test="range" />
    </template>
    <rect
      v-for="s in editor.view.sections"
      :key="`s${s.from}`"
      :x="x(s.from)"
      y="24"
      :width="Math.max(0, (s.to - s.from) * scale - 1)"
      height="3"
      :class="['section', s.kind]"
      :data-section="s.kind"
    >
      <title>{{ sectionName(s.kind) }}</title>
    </rect>
    <polygon :points="wave" class="wave" />
    <path
      v-for="h in strong"
      :key="h.frame"
      :d="`M${x(h.frame)} 1l3.5 4h-7z`"
      class="hit"
      :class="{ struck: desk.striking }"
      :style="{ opacity: 0.35 + 0.65 * h.strength }"
      :data-hit="h.frame"
    />
    <g v-for="b in editor.view.beats" :key="b.beat" :class="b.down ? 'down' : 'beat'">
      <line :x1="x(b.frame)" :x2="x(b.frame)" :y1="b.down ? 26 : 34" y2="42" :data-beat="b.beat" />
      <text v-if="b.down" :x="x(b.frame) + 3" y="37">{{ b.bar }}</text>
      <text v-else-if="beatRoom > 24" :x="x(b.frame) + 3" y="40" class="small">{{ b.bar }}.{{ b.in }}</text>
    </g>
    <g v-for="m in editor.view.markers" :key="`m${m.frame}`" class="marker">
      <path :d="`M${x(m.frame)} 43v-20h9l-3 3.5 3 3.5h-9`" />
      <text :x="x(m.frame) + 11" y="31">{{ m.name }}</text>
      <title>{{ m.name }}, {{ m.when }}</title>
    </g>
    <g v-for="s in seconds" :key="s.frame" class="second">
      <line :x1="x(s.frame)" :x2="x(s.frame)" y1="44" y2="58" />
      <text :x="x(s.frame) + 3" y="55">{{ s.text }}</text>
    </g>
  </svg>
</template>

<style scoped>
.ruler {
  display: block;
}

.section {
  fill: #a9bfc4;
}

.section.build {
  fill: var(--brass);
}

.section.full {
  fill: var(--buoy);
}

.wave {
  fill: rgba(23, 63, 71, 0.3);
}

.hit {
  fill: var(--buoy-deep);
}

.struck {
  stroke: var(--buoy-deep);
  stroke-width: 2;
}

.beat line {
  stroke: var(--brass);
  stroke-width: 1;
}

.down line {
  stroke: var(--brass-deep);
  stroke-width: 2;
}

text {
  font-size: 11px;
  fill: var(--harbour);
}

.down text {
  font-weight: 700;
  fill: #6d4c12;
}

.small {
  font-size: 9px;
  fill: #6d4c12;
}

.out {
  fill: rgba(23, 63, 71, 0.16);
}

.ends {
  stroke: var(--kelp);
  stroke-width: 3;
}

.marker path {
  fill: var(--kelp);
  stroke: var(--kelp);
}

.marker text {
  font-size: 10px;
  fill: #1d5548;
  font-weight: 500;
}

.second line {
  stroke: var(--line);
}

.second text {
  fill: var(--harbour-soft);
}
</style>
