import { ESLint } from 'eslint'
import { describe, expect, it } from 'vitest'

// A client's time without its place has sent posts out at the wrong hour: no page forms one by itself.
describe('the rule that times carry their zone', () => {
  const lint = async (code: string, filePath: string) =>
    (await new ESLint().lintText(code, { filePath }))[0]!.messages.map((one) => one.ruleId)

  it('refuses a clock that a page forms by itself, and leaves days and numbers alone', async () => {
    const clock = "export const a = new Intl.DateTimeFormat('en', { hour: 'numeric' })\n"
    const bare = 'export const b = (at: Date) => at.toLocaleTimeString()\n'
    const day = "export const c = new Intl.DateTimeFormat('en', { day: 'numeric' })\n"
    expect(await lint(clock, 'src/desk.ts')).toEqual(['no-restricted-syntax'])
    expect(await lint(bare, 'src/desk.ts')).toEqual(['no-restricted-syntax'])
    expect(await lint(day, 'src/desk.ts')).toEqual([])
    expect(await lint(clock, 'src/api/time.ts')).toEqual([])
  })
})
