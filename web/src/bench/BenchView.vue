<script setup lang="ts">
import { useElementSize, useEventListener, watchDebounced } from '@vueuse/core'
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api } from '../api'
import IconButton from '../parts/IconButton.vue'
import { useBenched } from '../stores/bench'
import { useNotices } from '../stores/notices'
import BenchPane from './BenchPane.vue'
import BenchSide from './BenchSide.vue'
import BenchStrip from './BenchStrip.vue'
import ResultSheet from './ResultSheet.vue'
import FrameBar from './FrameBar.vue'
import { inHand, toolsFor } from './tools'
import { useBrush } from './useBrush'
import { useCutter } from './useCutter'
import { useGrounds } from './useGrounds'
import { useLens } from './useLens'
import { useOrder } from './useOrder'
import { usePen } from './usePen'

// Where a photo becomes a cut-out.
const bench = useBenched()
const notices = useNotices()
const route = useRoute()
const router = useRouter()
const cutter = useCutter()
const pane = ref<HTMLElement | null>(null)
const { width, height } = useElementSize(pane)
const size = computed(() => cutter.size.value)
let unsent = false // what is wanted was changed since the server was told
const steps = useOrder((order) => {
  unsent = true
  void cutter.follow(order)
})
const lens = useLens(
  size,
  computed(() => ({ w: width.value, h: height.value })),
  computed(() => steps.order.value.turn ?? 0)
)
const { ground, list: grounds, style: groundStyle } = useGrounds()
const marks = ref(true)
const loaded = ref(false)
const empty = computed(() => loaded.value && !bench.cuts.length)
const strip = ref<InstanceType<typeof BenchStrip> | null>(null)
const space = ref(false)

const id = computed(() => String(route.query.cut ?? ''))
const cut = computed(() => bench.cuts.find((c) => c.id === id.value))
const moves = computed(() => !!cut.value?.moves)
const pen = usePen(lens, steps)
const brush = useBrush(lens, steps, pen, cutter.frame, takeOut)

const picture = computed(() => `/api/files/${cut.value?.photo}${moves.value ? `/frames/${cutter.frame.value}` : ''}`)

// What is wanted is kept by the server soon after it was changed, and before another photo
// is looked at.
const keep = async (of: string) => {
  if (!unsent || !of) return
  unsent = false
  try {
    const order = steps.order.value
    await api.orderCut(of, order)
    // Its parts are straightened as the whole is.
    if (bench.cuts.some((c) => c.partOf === of && (c.order.turn ?? 0) !== (order.turn ?? 0))) await bench.load()
  } catch (e) {
    unsent = true
    throw e
  }
}
watchDebounced(steps.order, () => keep(id.value).catch(notices.fail), { debounce: 700 })
onBeforeUnmount(() => {
  void keep(id.value).catch(notices.fail)
  steps.leave()
})

// takeOut lets a part of the photo stand by itself, and goes to it.
async function takeOut(around: [number, number][]) {
  const of = cut.value
  if (!of) return
  if (of.partOf) return notices.say('This is a part already: take another one out of the whole photo', 'problem')
  try {
    await keep(of.id)
    // It is straightened as the whole is, so that it lies where it was.
    const part = await api.takeOut(of.id, { around, edge: {}, turn: steps.order.value.turn })
    bench.put(part)
    bench.put(await api.cut(of.id)) // its place is filled from now on
    inHand.tool = 'stays'
    await choose(part.id)
  } catch (e) {
    notices.fail(e)
  }
}

async function open() {
  const now = cut.value
  if (!now) return
  lens.whole()
  closely.value = now.order.around ?? null
  pen.drop()
  steps.open(now.id, now.order)
  unsent = false
  if (now.moves && !toolsFor(true).some((t) => t.id === inHand.tool)) inHand.tool = 'stays'
  await cutter.lay(now.photo, now.order, now.moves)
}

async function choose(next: string) {
  await keep(id.value).catch(notices.fail)
  // What was done meanwhile is in the list, too; parts that were taken out are there already.
  const now = cut.value
  if (now && steps.fresh.value)
    bench.put({ ...now, order: { ...steps.order.value, out: now.order.out }, changed: true })
  await router.replace({ query: { ...route.query, cut: next } })
}

// A part of a photo is looked at closely at once.
const closely = ref<[number, number][] | null>(null)
watch([closely, size, width], () => {
  if (!closely.value || !size.value || !width.value) return
  lens.near(closely.value)
  closely.value = null
})

onMounted(async () => {
  try {
    await bench.load()
  } catch (e) {
    notices.fail(e)
  }
  loaded.value = true
  if (!cut.value && bench.cuts.length) await choose(bench.cuts[0].id)
  else await open()
})
watch(id, open)

function key(e: KeyboardEvent) {
  const t = e.target as HTMLElement
  if (/^(INPUT|TEXTAREA|SELECT)$/.test(t.tagName) && (t as HTMLInputElement).type !== 'range') return
  const letter = e.key.toLowerCase()
  if (pen.begun.value.length && ['Enter', 'Escape', 'Backspace'].includes(e.key) && !t.closest('button')) {
    e.preventDefault()
    if (e.key === 'Enter') pen.finish()
    else if (e.key === 'Escape') pen.drop()
    else pen.back()
    return
  }
  if ((e.ctrlKey || e.metaKey) && letter === 'z') {
    e.preventDefault()
    if (pen.begun.value.length && !e.shiftKey) pen.back()
    else if (e.shiftKey) steps.redo()
    else steps.undo()
    return
  }
  if (e.ctrlKey || e.metaKey || e.altKey || t.closest('.dropdown-menu, .modal')) return
  if (e.key === ' ' && !t.closest('button')) {
    e.preventDefault()
    space.value = true
    return
  }
  const tool = toolsFor(moves.value).find((x) => x.key === letter)
  if (tool) inHand.tool = tool.id
  else if (letter === ',') inHand.width = Math.max(2, Math.round(inHand.width / 1.25))
  else if (letter === '.') inHand.width = Math.min(200, Math.round(inHand.width * 1.25) + 1)
  else if (letter === '+') lens.closer(1.5)
  else if (letter === '-') lens.closer(1 / 1.5)
  else if (letter === '0') lens.whole()
  else if (moves.value && e.key === 'ArrowLeft' && t.tagName !== 'INPUT') cutter.show(cutter.frame.value - 1)
  else if (moves.value && e.key === 'ArrowRight' && t.tagName !== 'INPUT') cutter.show(cutter.frame.value + 1)
  else return
  e.preventDefault()
}
useEventListener(window, 'keydown', key)
useEventListener(window, 'keyup', (e: KeyboardEvent) => e.key === ' ' && (space.value = false))
useEventListener(window, 'blur', () => (space.value = false))
</script>

<template>
  <section class="bench" :class="{ empty }" aria-label="Bench">
    <div class="main">
      <div v-if="!empty" class="tools" role="toolbar" aria-label="Tools of the Bench">
        <div class="hand" role="group" aria-label="What the pointer does">
          <button
            v-for="t in toolsFor(moves)"
            :key="t.id"
            class="plain"
            :class="{ on: inHand.tool === t.id, [t.id]: true }"
            :aria-pressed="inHand.tool === t.id"
            :title="`${t.says} (${t.key.toUpperCase()})`"
            @click="inHand.tool = t.id"
          >
            <i :class="`bi bi-${t.icon}`" aria-hidden="true" /> {{ t.name }}
          </button>
        </div>
        <span class="flex-fill" />
        <IconButton
          icon="arrow-counterclockwise"
          label="Undo on the photo"
          title="Undo (Ctrl Z)"
          :disabled="!steps.past.value.length"
          @click="steps.undo()"
        />
        <IconButton
          icon="arrow-clockwise"
          label="Redo on the photo"
          title="Redo (Ctrl Shift Z)"
          :disabled="!steps.future.value.length"
          @click="steps.redo()"
        />
        <IconButton
          icon="vector-pen"
          :pressed="marks"
          label="Show what was painted"
          title="Show what was painted on the photo"
          @click="marks = !marks"
        />
        <span class="zoom" role="group" aria-label="How large it is seen">
          <IconButton icon="zoom-out" label="See more of it" title="See more of it (-)" @click="lens.closer(1 / 1.5)" />
          <button class="plain" title="The whole photo (0)" @click="lens.whole()">{{ lens.percent.value }} %</button>
          <IconButton
            icon="zoom-in"
            label="See it closer"
            title="See it closer (+), or turn the wheel over it"
            @click="lens.closer(1.5)"
          />
          <button class="plain" title="Each pixel four times as large" @click="lens.exact(4)">400 %</button>
        </span>
      </div>
      <div v-if="empty" class="none">
        <h2>No photo on the Bench yet</h2>
        <p>
          Bring in photos of products, on white, on card or on a kitchen table, or footage of one that turns. Each is
          taken off its background here.
        </p>
        <BButton class="btn-act" :variant="null" @click="strip?.pick()">Bring in photos, footage</BButton>
      </div>
      <div v-else class="panes">
        <figure>
          <figcaption>{{ moves ? 'Footage' : 'Photo' }}</figcaption>
          <div ref="pane" class="hold">
            <BenchPane
              :lens="lens"
              :brush="brush"
              :pen="pen"
              :steps="steps"
              :size="size"
              :marks="marks"
              :frame="cutter.frame.value"
              :moves="space"
              label="The photo"
            >
              <img v-if="cut" :src="picture" alt="" draggable="false" />
            </BenchPane>
          </div>
        </figure>
        <figure>
          <figcaption>
            What stays, on
            <span class="grounds" role="group" aria-label="What it is looked at on">
              <button
                v-for="g in grounds"
                :key="g.id"
                class="ground"
                :class="{ on: ground === g.id }"
                :style="groundStyle(g.id)"
                :aria-label="g.name"
                :title="g.name"
                :aria-pressed="ground === g.id"
                @click="ground = g.id"
              />
            </span>
            <em>{{ grounds.find((g) => g.id === ground)?.name }}</em>
          </figcaption>
          <div class="hold" :style="groundStyle(ground)">
            <BenchPane
              :lens="lens"
              :brush="brush"
              :pen="pen"
              :steps="steps"
              :size="size"
              :marks="false"
              :frame="cutter.frame.value"
              :moves="space"
              label="What stays of it"
            >
              <ResultSheet :cutter="cutter" :lens="lens" />
            </BenchPane>
            <span v-if="cutter.left.value" class="busy" role="status"
              >Following what moves: {{ cutter.left.value }} pictures left…</span
            >
            <span v-else-if="cutter.busy.value === 'laying'" class="busy" role="status">Looking at it…</span>
            <span v-else-if="cutter.busy.value === 'cutting'" class="busy late" aria-hidden="true">Cutting…</span>
          </div>
        </figure>
      </div>
      <FrameBar v-if="moves && cutter.size.value" :cutter="cutter" :steps="steps" />
      <BenchStrip v-show="!empty" ref="strip" :open="id" @choose="choose" />
    </div>
    <BenchSide v-if="!empty" :cut="cut" :cutter="cutter" :steps="steps" :keep="() => keep(id)" />
  </section>
</template>

<style scoped>
.bench {
  grid-area: view;
  display: grid;
  grid-template-columns: minmax(0, 1fr) 264px;
  min-height: 0;
}

.bench.empty {
  grid-template-columns: minmax(0, 1fr);
}

.main {
  display: grid;
  grid-template-rows: auto minmax(0, 1fr) auto auto;
  min-width: 0;
  min-height: 0;
}

.tools {
  display: flex;
  align-items: center;
  gap: 0.35rem;
  padding: 0.35rem 0.9rem;
  border-bottom: 1px solid var(--line);
}

.hand {
  display: flex;
  gap: 0.15rem;
}

.hand .on.stays {
  background: var(--kelp);
}

.hand .on.goes {
  background: var(--buoy-deep);
}

.zoom {
  display: flex;
  align-items: center;
  margin-left: 0.6rem;
}

.panes {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.7rem;
  padding: 0.4rem 0.9rem 0.6rem;
  min-height: 0;
}

figure {
  display: grid;
  grid-template-rows: 26px minmax(0, 1fr);
  gap: 0.25rem;
  margin: 0;
  min-width: 0;
  min-height: 0;
}

figcaption {
  display: flex;
  align-items: center;
  gap: 0.5rem;
  font-size: 0.84rem;
}

figcaption em {
  font-style: normal;
  color: var(--harbour-soft);
}

.grounds {
  display: flex;
  gap: 0.3rem;
}

.ground {
  width: 26px;
  height: 24px;
  border: 1px solid rgba(23, 63, 71, 0.35);
  border-radius: 6px;
}

.ground.on {
  outline: 2px solid var(--kelp);
  outline-offset: 1px;
}

.hold {
  position: relative;
  display: grid;
  min-width: 0;
  min-height: 0;
  border-radius: 6px;
  background: #828282;
}

.busy {
  position: absolute;
  left: 50%;
  top: 50%;
  transform: translate(-50%, -50%);
  padding: 0.2rem 0.7rem;
  border-radius: 6px;
  background: var(--chalk);
}

/* What takes no longer than a stroke does is not announced. */
.late {
  animation: appear 0s 0.6s both;
}

@keyframes appear {
  from {
    visibility: hidden;
  }
}

.none {
  max-width: 34rem;
  margin: auto;
  grid-row: 1 / -1;
}
</style>
