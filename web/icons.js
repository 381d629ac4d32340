// The icons that the page uses, as a small font: the whole one has two thousand of
// them. An icon is used when its name stands in the sources as a word of a string.
import { readdirSync, readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import subset from 'subset-font'

const from = (/** @type {string} */ file) => fileURLToPath(new URL(file, import.meta.url))
const codes = JSON.parse(readFileSync(from('node_modules/bootstrap-icons/font/bootstrap-icons.json'), 'utf8'))
const name = 'virtual:icons.css'

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

async function styles() {
  const icons = used()
  const whole = readFileSync(from('node_modules/bootstrap-icons/font/fonts/bootstrap-icons.woff2'))
  const font = await subset(whole, icons.map((i) => String.fromCodePoint(codes[i])).join(''), { targetFormat: 'woff2' })
  const rules = icons.map((i) => `.bi-${i}::before{content:"\\${codes[i].toString(16)}"}`)
  return `@font-face{font-family:bootstrap-icons;font-display:block;src:url(data:font/woff2;base64,${font.toString('base64')}) format("woff2")}
.bi::before{display:inline-block;font:normal 400 1em/1 bootstrap-icons;text-transform:none;vertical-align:-.125em;-webkit-font-smoothing:antialiased}
${rules.join('\n')}`
}

/** @returns {import('vite').Plugin} */
export const icons = () => ({
  name: 'icons',
  resolveId: (id) => (id === name ? `\0${name}` : null),
  load: (id) => (id === `\0${name}` ? styles() : null)
})
