<script setup lang="ts">
import { computed } from 'vue'
import { keyName } from './keyName'
import { shortcuts } from './useShortcuts'
import { useDesk } from '../stores/desk'

const desk = useDesk()
const groups = computed(() => [...new Set(shortcuts.map((s) => s.group))])
const mouse = [
  ['Drag a bead', 'in time; in an open row also up and down in value'],
  ['Alt and drag a bead', 'stretches the selected keys'],
  ['Ctrl while dragging', 'nothing snaps'],
  ['Drag over empty rows', 'selects beads; with Shift more of them'],
  ['Double-click words', 'writes in them, in the picture'],
  ['Drag beside everything', 'chooses what a rectangle touches'],
  ['Alt and click in the picture', 'takes the next layer beneath'],
  ['Alt and let a picture go', 'the cut-out under it shows it'],
  ['Shift and click', 'chooses several layers'],
  ['Shift while dragging', 'keeps the axis or the proportion'],
  ['Alt and drag a key on the way', 'bends the way'],
  ['Ctrl and wheel', 'zooms the picture or the Beatline about the pointer'],
  ['Wheel, or the middle button', 'moves a picture that is larger than its room']
]
</script>

<template>
  <BModal
    title-tag="h2"
    title-class="h5"
    v-model="desk.helping"
    title="Shortcuts"
    size="lg"
    ok-only
    ok-title="Close"
    ok-variant="outline-primary"
  >
    <div class="columns">
      <section v-for="g in groups" :key="g">
        <h3>{{ g }}</h3>
        <dl>
          <template v-for="s in shortcuts.filter((x) => x.group === g)" :key="s.says">
            <dt>
              <kbd v-for="k in s.keys" :key="k">{{ keyName(k) }}</kbd>
            </dt>
            <dd>{{ s.says }}</dd>
          </template>
        </dl>
      </section>
      <section>
        <h3>With the pointer</h3>
        <dl class="wide">
          <template v-for="m in mouse" :key="m[0]">
            <dt>{{ m[0] }}</dt>
            <dd>{{ m[1] }}</dd>
          </template>
        </dl>
      </section>
    </div>
  </BModal>
</template>

<style scoped>
.columns {
  columns: 2;
  column-gap: 2rem;
}

section {
  break-inside: avoid;
  margin-bottom: 0.8rem;
}

h3 {
  font-size: 0.92rem;
}

dl {
  display: grid;
  grid-template-columns: 168px 1fr;
  gap: 0.15rem 0.5rem;
  font-size: 0.8rem;
  margin: 0;
}

dl.wide {
  grid-template-columns: auto 1fr;
}

dt {
  font-weight: 500;
  white-space: nowrap;
}

dd {
  margin: 0;
}

kbd {
  white-space: nowrap;
  background: var(--sailcloth);
  color: var(--harbour);
  border: 1px solid var(--line);
  margin-right: 2px;
}
</style>
