<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { api, type Brand, type Shelved } from '../api'
import ColourDot from '../parts/ColourDot.vue'
import IconButton from '../parts/IconButton.vue'
import TextField from '../parts/TextField.vue'
import { named } from '../parts/fields'
import { useBrands } from '../stores/brands'
import { useNotices } from '../stores/notices'
import { useOwnFonts } from '../stores/ownFonts'
import { fonts } from '../words'

// The brands: what each keeps for all clips. What is changed is kept at once.
const open = defineModel<boolean>({ required: true })
const brands = useBrands()
const notices = useNotices()
const shelf = ref<Shelved[]>([])
const chosen = ref('')
const brand = computed(() => brands.list.find((b) => b.id === chosen.value) ?? brands.list[0])
// Own fonts of the maker come first.
const own = useOwnFonts()
const offered = computed(() => [...own.kept.map((p) => ({ id: p.id, name: p.name })), ...fonts])
const roles = ['Backdrop', 'Stands out', 'Words']
const most = 12

watch(open, async (is) => {
  if (!is) return
  try {
    await brands.again()
    await own.again()
    shelf.value = (await api.props()).filter((s) => s.prop.kind === 'cutout')
  } catch (e) {
    notices.fail(e)
  }
})

const doing = (what: Promise<unknown>) => what.catch(notices.fail)
function change(values: Partial<Brand>) {
  const b = brand.value
  if (b) doing(brands.save({ id: b.id, name: b.name, colours: b.colours, fonts: b.fonts, logos: b.logos, ...values }))
}

function add() {
  const id = `brand-${Date.now().toString(36)}`
  chosen.value = id
  doing(brands.save({ id, name: 'New brand', colours: ['#173f47'], fonts: [], logos: [] }))
}

const toggled = <T,>(list: T[], item: T) => (list.includes(item) ? list.filter((x) => x !== item) : [...list, item])
const recoloured = (i: number, to: string) => brand.value?.colours.map((c, k) => (k === i ? to : c)) ?? []
</script>

<template>
  <BModal v-model="open" title="Brand" title-tag="h2" title-class="h5" no-footer scrollable>
    <p class="says">Colours, fonts and logos kept here are offered in all clips.</p>
    <div v-if="brands.list.length > 1" class="several" role="group" aria-label="Brands">
      <button
        v-for="b in brands.list"
        :key="b.id"
        class="plain"
        :class="{ on: b.id === brand?.id }"
        :aria-pressed="b.id === brand?.id"
        @click="chosen = b.id"
      >
        {{ b.name }}
      </button>
    </div>
    <template v-if="brand">
      <div class="name">
        <TextField :value="brand.name" label="Name of the brand" :check="named" @change="change({ name: $event })" />
        <IconButton
          icon="trash3"
          title="Delete this brand"
          label="Delete the brand"
          @click="doing(brands.remove(brand))"
        />
      </div>
      <h3>Colours</h3>
      <ul class="list-unstyled colours">
        <li v-for="(c, i) in brand.colours" :key="i">
          <ColourDot
            :label="`Colour ${i + 1}${roles[i] ? `, ${roles[i]}` : ''}`"
            :value="c"
            @change="change({ colours: recoloured(i, $event) })"
          />
          <small>{{ roles[i] ?? '' }}</small>
          <IconButton
            icon="x-lg"
            :label="`Delete colour ${i + 1}`"
            title="Delete this colour"
            @click="change({ colours: brand.colours.filter((_, k) => k !== i) })"
          />
        </li>
        <li v-if="brand.colours.length < most">
          <button class="plain" @click="change({ colours: [...brand.colours, '#c8922e'] })">
            <i class="bi bi-plus-lg" aria-hidden="true" /> Add a colour
          </button>
        </li>
      </ul>
      <h3>Fonts</h3>
      <div class="fonts">
        <label v-for="f in offered" :key="f.id">
          <input
            type="checkbox"
            :checked="(brand.fonts as string[]).includes(f.id)"
            @change="change({ fonts: toggled(brand.fonts as string[], f.id) })"
          />
          {{ f.name }}
        </label>
      </div>
      <h3>Logos</h3>
      <p v-if="!shelf.length" class="says">
        Nothing is on the shelf yet. Bring a logo in under Props, then choose it here.
      </p>
      <div class="logos">
        <button
          v-for="s in shelf"
          :key="s.prop.hash"
          class="plain"
          :class="{ on: brand.logos.includes(s.prop.hash) }"
          :aria-pressed="brand.logos.includes(s.prop.hash)"
          :aria-label="`${s.prop.name} is a logo of ${brand.name}`"
          :title="s.prop.name"
          @click="change({ logos: toggled(brand.logos, s.prop.hash) })"
        >
          <img :src="`/api/files/${s.prop.hash}/small`" alt="" loading="lazy" />
        </button>
      </div>
    </template>
    <button class="plain" @click="add"><i class="bi bi-plus-lg" aria-hidden="true" /> Add a brand</button>
  </BModal>
</template>

<style scoped>
.name {
  display: flex;
  gap: 0.3rem;
}

h3 {
  margin: 0.9rem 0 0.3rem;
  font-size: 0.95rem;
}

.several {
  display: flex;
  gap: 0.3rem;
  margin-bottom: 0.5rem;
}

.on {
  box-shadow: inset 0 0 0 2px var(--harbour);
}

.colours {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.2rem 1rem;
  margin: 0;
}

.colours li {
  display: flex;
  align-items: center;
  gap: 0.4rem;
}

.colours small {
  flex: 1;
}

.fonts {
  display: grid;
  grid-template-columns: 1fr 1fr;
  font-size: 0.88rem;
}

.logos {
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem;
  margin-bottom: 0.9rem;
}

.logos img {
  width: 56px;
  height: 56px;
  object-fit: contain;
}
</style>
