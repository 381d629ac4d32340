import { computed, ref } from 'vue'
import { sendFile, type Layered } from '../api'
import { useBenched } from '../stores/bench'
import { useNotices } from '../stores/notices'
import { Problem, type Prop } from '../types'

// A file on its way to the shelf.
export interface Upload {
  id: number
  name: string
  share: number // that has been sent, 0..1; then it is read
  read: number // of footage: the share that was read
  stop?: () => void // what ends that
  problem: string
}

const atOnce = 2
const list = ref<Upload[]>([])
let next = 1

// useUploads brings files to the shelf, several at a time, and tells how far each
// has come, and for a while what could not be taken.
export function useUploads() {
  const busy = computed(() => list.value.filter((u) => !u.problem).length)

  const change = (id: number, to: Partial<Upload>) =>
    (list.value = list.value.map((u) => (u.id === id ? { ...u, ...to } : u)))
  const drop = (id: number) => (list.value = list.value.filter((u) => u.id !== id))

  // bring gives the props of the files that could be taken, in their order. Of layered pictures,
  // which are many props, it tells beside that.
  async function bring(files: File[], tell?: (layered: Layered) => void): Promise<Prop[]> {
    const jobs = files.map((file) => ({ file, id: next++ }))
    list.value = [
      ...list.value,
      ...jobs.map(({ file, id }) => ({ id, name: file.name, share: 0, read: 0, problem: '' }))
    ]
    const brought: Prop[][] = files.map(() => [])
    let begun = 0
    const work = async () => {
      while (begun < jobs.length) {
        const at = begun++
        const { file, id } = jobs[at]
        try {
          const { prop, note, opaque, layered } = await sendFile(file, (share, read = 0, stop) =>
            change(id, { share, read, stop })
          )
          brought[at] = layered?.props ?? [prop]
          if (layered) tell?.(layered)
          if (opaque) useBenched().backed.add(prop.hash)
          if (note) useNotices().say(note, 'problem')
          drop(id)
        } catch (e) {
          if (e instanceof Problem && e.code === 'cancelled') {
            drop(id)
            continue
          }
          const problem = e instanceof Problem ? e.message : String(e)
          change(id, { problem })
          setTimeout(() => drop(id), 12000) // as long as other problems are said
        }
      }
    }
    await Promise.all(Array.from({ length: atOnce }, work))
    return brought.flat()
  }

  return { list, busy, bring, drop }
}
