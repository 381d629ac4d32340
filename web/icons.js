// The icons that the page uses, as a small font: the whole one has two thousand of
// them. An icon is used when its name stands in the sources as a word of a string.
import { mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import subset from 'subset-font'

const from = (/** @type {string} */ file) => fileURLToPath(new URL(file, import.meta.url))
const codes = JSON.parse(readFileSync(from('node_modules/bootstrap-icons/font/bootstrap-icons.json'), 'utf8'))

/** @returns {string[]} the names of the icons that the sources use */
function used() {
  const found = new Set()
  for (const file of readdirSync(from('src'), { recursive: true, encoding: 'utf8' })) {
    if (!/\.(vue|ts)$/.test(file)) continue
    const source = readFileSync(from(`src/${file}`), 'utf8')
    for (const [, icon] of source.matchAll(/\bbi-([a-z0-9]+(?:-[a-z0-9]+)*)/g)) {
      if (!codes[icon]) throw new Error(`${file}: there is no icon ${icon}`)
      found.add(icon)
    }
    for (const [, , text] of source.matchAll(/(["'`])([a-z0-9][a-z0-9 -]*)\1/g))
      for (const word of text.split(' ')) if (codes[word]) found.add(word)
  }
  return [...found].sort()
}

// The font and its rules are written where Vite takes them for files of the page.
async function write() {
  const icons = used()
  const whole = readFileSync(from('node_modules/bootstrap-icons/font/fonts/bootstrap-icons.woff2'))
  const font = await subset(whole, icons.map((i) => String.fromCodePoint(codes[i])).join(''), { targetFormat: 'woff2' })
  const rules = icons.map((i) => `.bi-${i}::before{content:"\\${codes[i].toString(16)}"}`)
  mkdirSync(from('.cache/icons'), { recursive: true })
  writeFileSync(from('.cache/icons/icons.woff2'), font)
  writeFileSync(
    from('.cache/icons/icons.css'),
    `@font-face{font-family:bootstrap-icons;font-display:block;src:url(./icons.woff2) format("woff2")}
.bi::before{display:inline-block;font:normal 400 1em/1 bootstrap-icons;text-transform:none;vertical-align:-.125em;-webkit-font-smoothing:antialiased}
${rules.join('\n')}`
  )
}

/** @returns {import('vite').Plugin} */
export const icons = () => ({
  name: 'icons',
  buildStart: write,
  resolveId: (id) => (id === 'virtual:icons.css' ? from('.cache/icons/icons.css') : null)
})
