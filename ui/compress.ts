// Leaves compressed files beside each text file of a build; the server hands out the one that the browser takes.
import { readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { brotliCompressSync, constants, gzipSync } from 'node:zlib'
import type { Plugin } from 'vite'

export function compress(folder: string): Plugin {
  return {
    name: 'compress',
    writeBundle() {
      for (const name of readdirSync(folder, { recursive: true, encoding: 'utf8' })) {
        if (!/\.(js|css|html|svg|json)$/.test(name)) continue
        const text = readFileSync(join(folder, name))
        const size = { [constants.BROTLI_PARAM_SIZE_HINT]: text.length }
        writeFileSync(`${join(folder, name)}.br`, brotliCompressSync(text, { params: size }))
        writeFileSync(`${join(folder, name)}.gz`, gzipSync(text, { level: 9 }))
      }
    },
  }
}
