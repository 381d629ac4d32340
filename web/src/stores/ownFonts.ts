import { defineStore } from 'pinia'
import { ref } from 'vue'
import { api, sendFile } from '../api'
import { embeddings } from '../gen/catalogue'
import type { Command, Prop } from '../types'
import { useEditor } from './editor'

// A person's own fonts: those on the shelf, and those that the open clip has.
export const useOwnFonts = defineStore('ownFonts', () => {
  const kept = ref<Prop[]>([])
  let asked: Promise<void> | null = null
  const load = () => (asked ??= again().catch(() => void (asked = null)))
  async function again() {
    kept.value = (await api.props()).map((s) => s.prop).filter((p) => p.font)
  }

  // all are the fonts that can be chosen in the open clip.
  function all(): Prop[] {
    const own = useEditor().clip?.props.filter((p) => p.font) ?? []
    return [...kept.value, ...own.filter((p) => !kept.value.some((k) => k.id === p.id))]
  }
  const find = (id: string) => all().find((p) => p.id === id)

  // bring keeps a font's file, which the server checks.
  async function bring(file: File): Promise<Prop> {
    const { prop } = await sendFile(file, () => undefined)
    await again()
    return prop
  }

  // first is what has to be done before words can be set in a font.
  function first(id: string): Command[] {
    const prop = find(id)
    const known = useEditor().clip?.props.some((p) => p.id === id)
    return prop && !known ? [{ type: 'addProp', prop }] : []
  }

  const says = (p: Prop) => embeddings.find((e) => e.id === p.font?.embedding)?.says ?? ''

  return { kept, load, again, all, find, bring, first, says }
})
