import { computed, ref, shallowRef, watch, type Ref } from 'vue'

export interface Place {
  row: number
  column: number
}

// What a sheet is asked to do with its cells.
export interface Acts {
  text: (at: Place) => string
  write: (cells: { at: Place; text: string }[]) => Promise<boolean>
  open: (at: Place) => boolean // something else than typing changes the cell
  fixed: (column: number) => boolean // it cannot be typed
  more: () => void // a row is wanted behind the last one
}

// useSheet is where one is in a sheet, what is chosen of it, and what is being typed.
export function useSheet(rows: Ref<number>, columns: Ref<number>, acts: Acts) {
  const cursor = ref<Place>({ row: 0, column: 0 })
  const anchor = ref<Place>({ row: 0, column: 0 })
  const typed = ref<string | null>(null) // null while nothing is typed
  const dragging = shallowRef(false)

  const chosen = computed(() => ({
    top: Math.min(cursor.value.row, anchor.value.row),
    bottom: Math.max(cursor.value.row, anchor.value.row),
    left: Math.min(cursor.value.column, anchor.value.column),
    right: Math.max(cursor.value.column, anchor.value.column)
  }))
  const many = computed(() => chosen.value.top < chosen.value.bottom || chosen.value.left < chosen.value.right)

  watch([rows, columns], () => {
    cursor.value = within(cursor.value)
    anchor.value = within(anchor.value)
  })

  const within = ({ row, column }: Place): Place => ({
    row: Math.max(0, Math.min(rows.value - 1, row)),
    column: Math.max(0, Math.min(columns.value - 1, column))
  })

  function to(at: Place, more = false) {
    cursor.value = within(at)
    if (!more) anchor.value = cursor.value
  }

  const by = (row: number, column: number, more = false) =>
    to({ row: cursor.value.row + row, column: cursor.value.column + column }, more)

  // onward goes to the next cell, and from the end of a row to the next one.
  function onward(back: boolean) {
    const n = columns.value
    const at = cursor.value.row * n + cursor.value.column + (back ? -1 : 1)
    if (at >= 0 && at < rows.value * n) to({ row: Math.floor(at / n), column: at % n })
  }

  function begin(text = acts.text(cursor.value)) {
    if (acts.fixed(cursor.value.column)) return
    anchor.value = cursor.value
    typed.value = text
  }

  // take keeps what was typed; false when it was refused, and it is typed on.
  async function take() {
    if (typed.value === null) return true
    const [at, text] = [cursor.value, typed.value]
    if (text !== acts.text(at) && !(await acts.write([{ at, text }]))) return false
    typed.value = null
    return true
  }

  function cells() {
    const { top, bottom, left, right } = chosen.value
    const out: Place[] = []
    for (let row = top; row <= bottom; row++)
      for (let column = left; column <= right; column++) out.push({ row, column })
    return out
  }

  // copied is what is chosen as spreadsheets take it.
  function copied() {
    const { top, bottom, left, right } = chosen.value
    const quoted = (s: string) => (/[\t\n"]/.test(s) ? `"${s.replaceAll('"', '""')}"` : s)
    const lines: string[] = []
    for (let row = top; row <= bottom; row++) {
      const line: string[] = []
      for (let column = left; column <= right; column++) line.push(quoted(acts.text({ row, column })))
      lines.push(line.join('\t'))
    }
    return lines.join('\n')
  }

  // spread writes a text into all that is chosen.
  const spread = (text: string) =>
    acts.write(
      cells()
        .filter((at) => !acts.fixed(at.column))
        .map((at) => ({ at, text }))
    )
  const clear = () => spread('')

  // fill writes the first row of what is chosen into the others.
  const fill = () =>
    acts.write(
      cells()
        .filter((at) => at.row > chosen.value.top && !acts.fixed(at.column))
        .map((at) => ({ at, text: acts.text({ row: chosen.value.top, column: at.column }) }))
    )

  async function key(e: KeyboardEvent, page: number) {
    if (e.isComposing) return
    if (typed.value !== null) return typing(e)
    const [more, ctrl] = [e.shiftKey, e.ctrlKey || e.metaKey]
    const far = ctrl ? 1e6 : 1
    const moves: Record<string, () => unknown> = {
      ArrowUp: () => by(-far, 0, more),
      ArrowDown: () => by(far, 0, more),
      ArrowLeft: () => by(0, -far, more),
      ArrowRight: () => by(0, far, more),
      PageUp: () => by(-page, 0, more),
      PageDown: () => by(page, 0, more),
      Home: () => by(ctrl ? -1e6 : 0, -1e6, more),
      End: () => by(ctrl ? 1e6 : 0, 1e6, more),
      Enter: () => acts.open(cursor.value) || begin(),
      F2: () => acts.open(cursor.value) || begin(),
      Delete: clear,
      Backspace: clear
    }
    if (e.key === 'Tab') {
      const edge = more
        ? !cursor.value.row && !cursor.value.column
        : cursor.value.row === rows.value - 1 && cursor.value.column === columns.value - 1
      if (edge) return // on to what is behind the sheet
      e.preventDefault()
      return onward(more)
    }
    const act = moves[e.key] ?? (ctrl && e.key.toLowerCase() === 'd' ? fill : undefined)
    const all = ctrl && e.key.toLowerCase() === 'a'
    if (!act && !all) return
    e.preventDefault()
    e.stopPropagation()
    if (all) {
      anchor.value = { row: 0, column: 0 }
      cursor.value = within({ row: 1e6, column: 1e6 })
    } else await act?.()
  }

  async function typing(e: KeyboardEvent) {
    e.stopPropagation()
    if (e.key === 'Escape') typed.value = null
    else if (e.key === 'Enter' || e.key === 'Tab') {
      e.preventDefault()
      if (!(await take())) return
      if (e.key === 'Tab') onward(e.shiftKey)
      else if (cursor.value.row === rows.value - 1 && !e.shiftKey) acts.more()
      else by(e.shiftKey ? -1 : 1, 0)
    }
  }

  return { cursor, anchor, chosen, many, typed, dragging, to, by, begin, take, copied, clear, spread, key, cells }
}

export type Sheet = ReturnType<typeof useSheet>
