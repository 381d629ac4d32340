import { watchDebounced } from '@vueuse/core'
import { ref } from 'vue'
import { api, type ClipSummary } from '../api'
import { useNotices } from '../stores/notices'

// useClipList reads the clips that are looked for, or those that were deleted.
export function useClipList() {
  const notices = useNotices()
  const clips = ref<ClipSummary[] | null>(null)
  const search = ref('')
  const sort = ref('changed')
  const deleted = ref(false)
  const total = ref(0)
  const gone = ref(0) // how many are deleted and can be taken back
  const away = ref(false) // the server does not answer; this is what the browser keeps
  let asked = 0

  // load reads the list anew, as far as it was seen, or goes on with it.
  async function load(more = false) {
    const mine = ++asked
    const seen = clips.value ?? []
    try {
      let list = more ? seen : []
      const wanted = more ? seen.length + 1 : Math.max(1, seen.length)
      do {
        const { said: got, kept } = await api.clips(search.value, sort.value, list.length, deleted.value)
        if (mine !== asked) return
        away.value = kept
        total.value = got.total
        gone.value = got.deleted
        list = [...list, ...got.clips]
        if (!got.clips.length) break
      } while (list.length < Math.min(wanted, total.value))
      clips.value = list
    } catch (e) {
      if (mine !== asked) return
      notices.fail(e)
      clips.value ??= []
    }
  }

  function find() {
    clips.value = clips.value && []
    return load()
  }

  function showDeleted(on: boolean) {
    deleted.value = on
    search.value = ''
    return find()
  }

  watchDebounced(search, find, { debounce: 200 })

  return { clips, search, sort, deleted, total, gone, away, load, find, showDeleted }
}
