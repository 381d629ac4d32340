import { ref } from 'vue'
import { useEditor } from '../stores/editor'
import { propertyName } from '../words'

export interface Snapped {
  frame: number
  beat?: number // when it is a beat, the moment is bound to it
  to: string
}

const line = ref<Snapped | null>(null)

// useSnap finds what a dragged thing catches on: beats, hits, the playhead,
// scenes, markers, other keys and ends. reach is in frames.
export function useSnap() {
  const editor = useEditor()

  function snap(
    frame: number,
    reach: number,
    own: (layer: string, property: string, frame: number) => boolean,
    off: boolean,
    playhead = true // it goes along where it is what is dragged
  ) {
    line.value = null
    if (off) return null
    let best: Snapped | null = null
    let distance = reach
    const offer = (s: Snapped, ease = 0) => {
      const d = Math.abs(s.frame - frame) + ease
      if (d < distance || (d === distance && !best)) {
        best = s
        distance = d
      }
    }
    for (const b of editor.view.beats)
      offer({ frame: b.frame, beat: b.beat, to: b.down ? `bar ${b.bar}` : `bar ${b.bar}, beat ${b.in}` })
    // A hit beside a beat is that beat's own: it is the beat that is meant.
    for (const h of editor.view.hits)
      if (!editor.view.beats.some((b) => Math.abs(b.frame - h.frame) <= 2)) offer({ frame: h.frame, to: 'a hit' }, 0.5)
    for (const m of editor.view.markers) offer({ frame: m.frame, to: m.name }, 0.3)
    for (const s of editor.view.scenes) offer({ frame: s.from, to: `scene ${s.name}` }, 0.3)
    if (playhead) offer({ frame: editor.frame, to: 'the playhead' }, 0.4)
    for (const r of editor.view.rows) {
      if (r.scene && r.scene !== editor.scene) continue // it is not to be seen
      const name = editor.layers.get(r.layer)?.name ?? 'the light'
      if (!own(r.layer, '', r.from)) offer({ frame: r.from, to: `the start of ${name}` }, 0.6)
      if (!own(r.layer, '', r.to)) offer({ frame: r.to, to: `the end of ${name}` }, 0.6)
      for (const t of r.tracks)
        for (const b of t.beads)
          if (Math.abs(b.frame - frame) < distance && !own(r.layer, t.property, b.frame))
            offer({ frame: b.frame, to: `${propertyName(t.property).toLowerCase()} of ${name}` }, 0.6)
    }
    line.value = best
    return best as Snapped | null
  }

  const clear = () => (line.value = null)
  return { line, snap, clear }
}
