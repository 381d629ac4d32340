<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { PhotoCut } from '../api'
import { useBenched } from '../stores/bench'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'
import { Problem } from '../types'
import { listed } from '../words'
import SliderField from '../parts/SliderField.vue'
import { dabs, inHand } from './tools'
import { usePlacing } from './usePlacing'
import type { Cutter } from './useCutter'
import type { OrderSteps } from './useOrder'

// What was found, how it is painted, its edge, and what is done with it.
const props = defineProps<{ cut?: PhotoCut; cutter: Cutter; steps: OrderSteps; keep: () => Promise<void> }>()
const bench = useBenched()
const editor = useEditor()
const notices = useNotices()
const placing = usePlacing()
const route = useRoute()
const router = useRouter()
const making = ref(false)

const found = computed(() => props.cutter.found.value)
const edge = computed(() => props.steps.order.value.edge)
const whole = computed(() => bench.cuts.find((c) => c.id === props.cut?.partOf))
const fresh = computed(() => !props.cut?.result || props.cut.changed || props.steps.fresh.value)
const others = computed(() => (props.cut?.clips ?? []).map((c) => c.name))
const here = computed(() => !!props.cut?.clips.some((c) => c.id === editor.id))
const layer = computed(() => placing.showing(props.cut, String(route.query.layer ?? '')))

const strokes = computed(() => inHand.tool === 'stays' || inHand.tool === 'goes')
const edges = [
  { id: 'shift', label: 'Edge outwards', min: -20, max: 20, step: 0.5 },
  { id: 'smooth', label: 'Corners rounded', min: 0, max: 20, step: 0.5 },
  { id: 'feather', label: 'Edge fades over', min: 0, max: 50, step: 0.5 },
  { id: 'specks', label: 'Specks go up to', min: 0, max: 200, step: 1 }
] as const

// cutting says how far footage is.
const going = computed(() => bench.going[props.cut?.id ?? ''])
const cutting = computed(() =>
  going.value ? `Cutting it out… ${Math.round(100 * going.value.share)} %` : 'Cutting it out…'
)

// finish makes the cut-out, and puts it where it is wanted.
async function finish(then: 'shelf' | 'clip') {
  const cut = props.cut
  if (!cut || making.value) return
  making.value = true
  try {
    await props.keep()
    await editor.quiet()
    const order = props.steps.order.value
    const made = await bench.make(cut.id, true)
    props.steps.made(order)
    // Its parts go along, as when it was straightened.
    for (const part of bench.cuts.filter((c) => c.partOf === cut.id && c.result && c.changed)) await bench.make(part.id)
    const n = made.followed
    if (then === 'clip') {
      await placing.place(made, layer.value)
      await router.push(`/clips/${editor.id}`)
      return
    }
    if (made.shade) {
      await editor.outbox?.pull()
      await editor.quiet()
      await placing.shadeHere(made)
    }
    notices.say(
      n
        ? `${cut.name}: ${n === 1 ? 'one clip shows' : `${n} clips show`} the new cut`
        : `${cut.name} is on the shelf, cut out`
    )
  } catch (e) {
    if (!(e instanceof Problem && e.code === 'cancelled')) notices.fail(e)
  } finally {
    making.value = false
  }
}

// standApart lets a part spring out of what it was cut from.
async function standApart() {
  const [part, of] = [props.cut, whole.value]
  if (!part || !of || making.value) return
  making.value = true
  try {
    await props.keep()
    await editor.quiet()
    const made = await bench.make(part.id, true)
    const rest = await bench.make(of.id, true)
    if (rest.followed) await editor.outbox?.pull()
    await editor.quiet()
    await placing.apart(rest, made)
    await router.push(`/clips/${editor.id}`)
  } catch (e) {
    notices.fail(e)
  } finally {
    making.value = false
  }
}

const clear = () =>
  props.steps.set({ edge: {}, around: props.steps.order.value.around, out: props.steps.order.value.out })
const nothing = computed(() => {
  const o = props.steps.order.value
  return (
    !o.box && !o.strokes?.length && !o.heals?.length && !o.turn && !o.shadow && !Object.values(o.edge).some(Boolean)
  )
})
</script>

<template>
  <aside class="side">
    <template v-if="cut">
      <section>
        <h2>{{ cut.name }}</h2>
        <p v-if="found" class="found" :class="{ look: found.needsLook }" role="status">
          <i :class="`bi bi-${found.needsLook ? 'eye' : 'check2'}`" aria-hidden="true" />
          <span>{{ found.why }} {{ found.needsLook ? 'It may need a look.' : '' }}</span>
        </p>
        <p v-else class="found" role="status">Looking for what stands in front…</p>
      </section>
      <section>
        <h3>{{ inHand.tool === 'path' ? 'Path' : 'Brush' }}</h3>
        <SliderField
          v-if="dabs()"
          label="Width on the screen"
          unit="px"
          :value="inHand.width"
          :min="2"
          :max="200"
          :step="1"
          @change="inHand.width = $event"
        />
        <label v-if="strokes" class="check"> <input v-model="inHand.seeks" type="checkbox" /> Stop at edges </label>
        <p v-if="strokes" class="hint">
          Paint roughly: only what looks as it does along the middle counts. With Shift it is the other way round; Space
          moves the photo.
        </p>
        <div v-if="inHand.tool === 'outline'" class="around" role="group" aria-label="What is gone around">
          <button
            class="plain"
            :class="{ on: inHand.around }"
            :aria-pressed="inHand.around"
            @click="inHand.around = true"
          >
            Stays
          </button>
          <button
            class="plain"
            :class="{ on: !inHand.around }"
            :aria-pressed="!inHand.around"
            @click="inHand.around = false"
          >
            Goes
          </button>
        </div>
        <p v-if="inHand.tool === 'path'" class="hint">
          The first point, or Enter, closes a path; Backspace takes the last point. A path within another one is a hole.
          With Alt, a handle moves alone, and a click makes a point a corner.
        </p>
        <button v-if="steps.order.value.pen?.length" class="plain" @click="steps.change({ pen: undefined })">
          <i class="bi bi-x-lg" aria-hidden="true" />
          {{ steps.order.value.pen.length === 1 ? 'Take the path away' : 'Take the paths away' }}
        </button>
        <button v-if="steps.order.value.box" class="plain" @click="steps.change({ box: null })">
          <i class="bi bi-x-lg" aria-hidden="true" /> Take the box away
        </button>
      </section>
      <section>
        <h3>Edge</h3>
        <SliderField
          v-for="e in edges"
          :key="e.id"
          :label="e.label"
          unit="px"
          :value="edge[e.id] ?? 0"
          :min="e.min"
          :max="e.max"
          :step="e.step"
          @change="steps.edge({ [e.id]: $event })"
          @settle="steps.settled()"
        />
      </section>
      <section v-if="!cut.partOf && !cut.moves">
        <SliderField
          label="Straightened"
          unit="°"
          :value="steps.order.value.turn ?? 0"
          :min="-45"
          :max="45"
          :step="0.5"
          @change="steps.turn($event)"
          @settle="steps.settled()"
        />
      </section>
      <section v-if="found?.hasShadow && !cut.partOf && !cut.moves">
        <label class="check" title="A layer of its own below the thing, as the photo shows it">
          <input
            type="checkbox"
            :checked="!!steps.order.value.shadow"
            @change="steps.change({ shadow: ($event.target as HTMLInputElement).checked || undefined })"
          />
          Keep its shadow as a layer
        </label>
      </section>
      <section v-if="whole" class="acts">
        <p class="hint">A part of {{ whole.name }}. It lies exactly where it was, and its place is filled.</p>
        <BButton class="btn-act" :variant="null" :disabled="making || found?.nothing !== false" @click="standApart">{{
          making ? 'Cutting it out…' : 'Let it stand apart in the clip'
        }}</BButton>
      </section>
      <section v-else class="acts">
        <button v-if="going" class="plain" @click="going.stop()">
          <i class="bi bi-x-lg" aria-hidden="true" /> Stop cutting it out
        </button>
        <button v-else class="plain" :disabled="nothing" @click="clear">
          <i class="bi bi-eraser" aria-hidden="true" /> Back to the first guess
        </button>
        <p v-if="others.length" class="hint">Shown in {{ listed(others) }}</p>
        <BButton
          v-if="here"
          class="btn-act"
          :variant="null"
          :disabled="!fresh || making || found?.nothing !== false"
          @click="finish('shelf')"
          >{{
            making ? cutting : others.length === 1 ? 'Show this cut in the clip' : `Show it in ${others.length} clips`
          }}</BButton
        >
        <BButton
          v-else
          class="btn-act"
          :variant="null"
          :disabled="making || found?.nothing !== false"
          @click="finish('clip')"
          >{{ making ? cutting : layer ? `Take it off in “${layer.name}”` : 'Place it in the clip' }}</BButton
        >
        <BButton
          v-if="!here"
          variant="outline-primary"
          size="sm"
          :disabled="!fresh || making || found?.nothing !== false"
          @click="finish('shelf')"
          >{{ others.length ? `Show it in ${listed(others)}` : 'Only keep it on the shelf' }}</BButton
        >
      </section>
    </template>
  </aside>
</template>

<style scoped>
.side {
  display: grid;
  gap: 0.75rem;
  align-content: start;
  overflow: auto;
  padding: 0.6rem 0.9rem;
  border-left: 1px solid var(--line);
}

section {
  display: grid;
  gap: 0.4rem;
}

h2 {
  margin: 0;
  font-size: 1.15rem;
  overflow-wrap: anywhere;
}

h3 {
  margin: 0;
  font-size: 0.95rem;
}

.found {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 0.4rem;
  margin: 0;
  font-size: 0.82rem;
  color: var(--kelp-deep);
}

.found.look {
  color: var(--brass-deep);
}

.hint {
  margin: 0;
  color: var(--harbour-soft);
  font-size: 0.78rem;
}

.check {
  font-size: 0.82rem;
}

.around {
  display: flex;
  gap: 0.2rem;
}

.acts .plain {
  justify-self: start;
}
</style>
