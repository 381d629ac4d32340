// Compresses as well as brotli can. That takes most of a minute for the engine, so
// what was compressed before is kept, and `node brotli.js FILE` begins early.
import { createHash } from 'node:crypto'
import { mkdir, readFile, rename, writeFile } from 'node:fs/promises'
import { argv, pid } from 'node:process'
import { fileURLToPath } from 'node:url'
import { promisify } from 'node:util'
import { brotliCompress, constants } from 'node:zlib'

const kept = fileURLToPath(new URL('.cache/brotli', import.meta.url))
const compress = promisify(brotliCompress)

/** @param {Buffer} bytes @returns {Promise<Buffer>} */
export async function brotliOnce(bytes) {
  const name = `${kept}/${createHash('sha256').update(bytes).digest('hex')}.br`
  const before = await readFile(name).catch(() => null)
  if (before) return before
  const out = await compress(bytes, {
    params: { [constants.BROTLI_PARAM_QUALITY]: 11, [constants.BROTLI_PARAM_LGWIN]: 24 }
  })
  await mkdir(kept, { recursive: true })
  await writeFile(`${name}.${pid}`, out)
  await rename(`${name}.${pid}`, name)
  return out
}

if (argv[1] === fileURLToPath(import.meta.url)) for (const file of argv.slice(2)) await brotliOnce(await readFile(file))
