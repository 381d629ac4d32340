<script setup lang="ts">
import { maskForms, maskModes } from '../gen/catalogue'
import ChoiceField from '../parts/ChoiceField.vue'
import IconButton from '../parts/IconButton.vue'
import NumberField from '../parts/NumberField.vue'
import { useDesk } from '../stores/desk'
import type { Layer, Mask } from '../types'
import { useMasks } from './useMasks'

// What lets only a part of a layer or a group show; the outlines are dragged in the
// picture.
const props = defineProps<{ layer: Layer }>()
const masks = useMasks(() => props.layer)
const nameOf = (m: Mask) => maskForms.find((f) => f.id === m.form)?.name ?? m.form
const desk = useDesk()

// One that is drawn is drawn in the picture.
function add(form: Mask['form']) {
  if (form !== 'path') return masks.add(form)
  desk.sketchFor = props.layer.id
  desk.sketching = 'hand'
}
const icons: Record<string, string> = { disc: 'circle', card: 'square', line: 'border-bottom', path: 'pencil' }
</script>

<template>
  <div>
    <h2>Masks</h2>
    <div v-for="(m, i) in masks.list()" :key="m.id" class="mask">
      <div class="head">
        <strong>{{ nameOf(m) }}</strong>
        <ChoiceField
          v-if="i > 0 || m.mode === 'subtract'"
          bare
          :label="`How mask ${i + 1} is put together with those before`"
          :value="m.mode || 'add'"
          :options="maskModes"
          @change="masks.put(m, { mode: $event })"
        />
        <label class="check">
          <input type="checkbox" :checked="m.invert ?? false" @change="masks.put(m, { invert: !m.invert })" /> Outside
        </label>
        <label class="check" title="It stays where it is while the layer moves">
          <input type="checkbox" :checked="m.still ?? false" @change="masks.put(m, { still: !m.still })" /> Stays
        </label>
        <IconButton icon="x-lg" :label="`Delete mask ${i + 1}`" title="Delete this mask" @click="masks.remove(m)" />
      </div>
      <div class="three">
        <NumberField
          :label="`Right`"
          :value="masks.now(m).place[0]"
          @change="masks.set(m, 'maskPlace', $event, masks.now(m).place[1])"
        />
        <NumberField
          label="Down"
          :value="masks.now(m).place[1]"
          @change="masks.set(m, 'maskPlace', masks.now(m).place[0], $event)"
        />
        <NumberField label="Turn" unit="°" :value="masks.now(m).turn" @change="masks.set(m, 'maskTurn', $event)" />
        <template v-if="m.form !== 'line'">
          <NumberField
            label="Width"
            :value="masks.now(m).size[0]"
            @change="masks.set(m, 'maskSize', $event, masks.now(m).size[1])"
          />
          <NumberField
            label="Height"
            :value="masks.now(m).size[1]"
            @change="masks.set(m, 'maskSize', masks.now(m).size[0], $event)"
          />
          <NumberField
            v-if="m.form === 'card'"
            label="Corners"
            :value="masks.now(m).corner"
            @change="masks.set(m, 'maskCorner', $event)"
          />
        </template>
        <NumberField label="Feather" :value="masks.now(m).feather" @change="masks.set(m, 'maskFeather', $event)" />
        <NumberField label="Expand" :value="masks.now(m).expand" @change="masks.set(m, 'maskExpand', $event)" />
      </div>
    </div>
    <div class="add">
      <button
        v-for="f in maskForms"
        :key="f.id"
        class="plain"
        :title="f.says"
        :aria-label="`Add a mask: ${f.name}`"
        @click="add(f.id)"
      >
        <i class="bi" :class="`bi-${icons[f.id]}`" aria-hidden="true" /> {{ f.name }}
      </button>
    </div>
  </div>
</template>

<style scoped>
.mask {
  margin-bottom: 0.5rem;
}

.head {
  display: grid;
  grid-template-columns: auto 1fr auto 26px;
  gap: 0.4rem;
  align-items: center;
  font-size: 0.82rem;
}

.head > :last-child {
  grid-column: 4;
}

.check {
  grid-column: 3;
}

.add {
  display: grid;
  grid-template-columns: repeat(4, 1fr);
  gap: 0.3rem;
  font-size: 0.82rem;
}
</style>
