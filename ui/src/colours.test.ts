import { readFileSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { theme } from './theme'

const root = join(__dirname)
const files = readdirSync(root, { recursive: true, encoding: 'utf8' })
  .filter((file) => /\.(vue|ts|css)$/.test(file))
  .filter((file) => !/test\.ts$|testing\.ts$|^samples|schema\.ts$|^colours\.css$/.test(file))

describe('colours', () => {
  it('stand in one file, each once', () => {
    const all = [...readFileSync(join(root, 'colours.css'), 'utf8').matchAll(/#[0-9a-f]{6}/g)].map(([hex]) => hex)
    expect(new Set(all).size).toBe(all.length)
  })

  it('are named by their roles everywhere else, but for what is a value of its own', () => {
    const found = files.flatMap((file) =>
      [...readFileSync(join(root, file), 'utf8').matchAll(/#(?:[0-9a-f]{6}|fff|000)\b/gi)].map(([hex]) => [file, hex]),
    )
    expect(found.map(([file]) => file).filter((file, at, all) => all.indexOf(file) === at)).toEqual([
      'clients/NewClientPage.vue', // the edge that a new client begins with
      'parts/plain-colours.ts',
    ])
  })

  it('are the same in the library’s parts', () => {
    expect(theme.token).toMatchObject({ colorPrimary: '#16191c', colorError: '#b00d2b' })
  })
})
