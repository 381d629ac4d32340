import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'
import { usePlayhead } from '../player/usePlayhead'

// useMarks sets markers and the looped range, and closes the loop.
export function useMarks() {
  const editor = useEditor()
  const notices = useNotices()
  const { here } = usePlayhead()

  function marker() {
    const markers = editor.clip?.markers ?? []
    return editor.run({ type: 'setMarks', markers: [...markers, { name: `Marker ${markers.length + 1}`, at: here() }] })
  }

  function range(end: 'in' | 'out') {
    const length = editor.view.length
    const [from, to] = editor.view.range ?? [0, length]
    const at = end === 'in' ? editor.frame : editor.frame + 1
    const next = end === 'in' ? { in: at, out: to > at ? to : length } : { in: from < at ? from : 0, out: at }
    return editor.run({ type: 'setMarks', range: next })
  }

  const whole = () => editor.run({ type: 'setMarks', whole: true })

  async function closeLoop() {
    if (!(await editor.run({ type: 'closeLoop' }))) return
    const gap = await editor.ask('loopGap', { shape: editor.shape })
    const name = editor.layers.get(gap.layer)?.name
    if (gap.pixels < 0.5 && !gap.sudden) notices.say('The loop is closed: the last frame meets the first')
    else if (gap.sudden)
      notices.say(
        `“${name}” shows at one end of the clip only; the largest jump is ${gap.pixels.toFixed(0)} pixels`,
        'problem'
      )
    else notices.say(`The largest difference left is ${gap.pixels.toFixed(1)} pixels, in “${name}”`, 'problem')
  }

  return { marker, range, whole, closeLoop }
}
