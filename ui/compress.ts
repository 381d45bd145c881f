// Leaves a compressed file beside each text file of a build; the server hands it out as it is.
import { readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'
import type { Plugin } from 'vite'

export function compress(folder: string): Plugin {
  return {
    name: 'compress',
    writeBundle() {
      for (const name of readdirSync(folder, { recursive: true, encoding: 'utf8' })) {
        if (/\.(js|css|html|svg|json)$/.test(name)) writeFileSync(`${join(folder, name)}.gz`, gzipSync(readFileSync(join(folder, name)), { level: 9 }))
      }
    },
  }
}
