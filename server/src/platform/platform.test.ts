import 'reflect-metadata'
import { createHash } from 'node:crypto'
import { readFileSync, readdirSync } from 'node:fs'
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { errorCatalogue } from '@binoculum/contract'
import { oncePerText } from './once-per-text.ts'
import { ReadableNames } from './naming.ts'
import { requireRole } from './access.ts'
import { chartStyles } from './pages.ts'

const source = fileURLToPath(new URL('..', import.meta.url))
const filesBelow = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) =>
    entry.isDirectory() ? filesBelow(join(folder, entry.name)) : [join(folder, entry.name)],
  )

describe('errors', () => {
  const code = filesBelow(source)
    .filter((path) => path.endsWith('.ts') && !path.endsWith('.test.ts'))
    .map((path) => readFileSync(path, 'utf8'))
    .join('\n')

  it.each(Object.entries(errorCatalogue))(
    '%s has a fitting status and a whole sentence',
    (_name, { status, message }) => {
      expect(status).toBeGreaterThanOrEqual(400)
      expect(status).toBeLessThan(600)
      expect(message).toMatch(/^[A-Z].*\.$/)
    },
  )

  it.each(Object.keys(errorCatalogue).filter((name) => name !== 'UNKNOWN_CALCULATOR'))('%s is used', (name) => {
    expect(code).toContain(`'${name}'`)
  })
})

describe('what is made once per text', () => {
  it('is made once, also when it is false or null', () => {
    let made = 0
    const lengthIsEven = oncePerText((text) => {
      made++
      return text.length % 2 === 0
    })
    expect([lengthIsEven('a'), lengthIsEven('a'), lengthIsEven('ab')]).toEqual([false, false, true])
    expect(made).toBe(2)
  })
  it('remembers only so many', () => {
    let made = 0
    const count = oncePerText(() => ++made)
    for (let i = 0; i < 5000; i++) count(String(i))
    expect(count('4999')).toBe(5000)
    expect(made).toBe(5000)
  })
  it('keeps no failure', () => {
    let tries = 0
    const parse = oncePerText((text) => {
      tries++
      return JSON.parse(text) as unknown
    })
    expect(() => parse('{')).toThrow()
    expect(() => parse('{')).toThrow()
    expect(tries).toBe(2)
  })
})

it('names of tables and constraints tell what they are', () => {
  const names = new ReadableNames()
  expect(names.tableName('BenchCheck', undefined)).toBe('bench_check')
  expect(names.columnName('massG', '', [])).toBe('mass_g')
  expect(names.foreignKeyName('loan', ['kitId'])).toBe('fk_loan_kit_id')
  expect(names.indexName('loan', ['state', 'kitId'], 'x')).toBe('ix_loan_kit_id_state_some')
})

describe('roles per branch', () => {
  const session = {
    staffId: '1',
    name: 'Kofi',
    email: 'k@x.example',
    expiresAtUtc: '',
    demo: false,
    memberships: [{ branchId: 'library', branchName: 'Library', zone: 'Europe/Dublin', role: 'volunteer' as const }],
  }
  it('lets the right one in', () => {
    expect(() => requireRole(session, 'library', ['coordinator', 'volunteer'])).not.toThrow()
  })
  it('refuses the wrong role, and hides branches one has no role in', () => {
    expect(() => requireRole(session, 'library', ['coordinator'])).toThrow(
      expect.objectContaining({ code: 'NOT_ALLOWED' }),
    )
    expect(() => requireRole(session, 'club', ['volunteer'])).toThrow(expect.objectContaining({ code: 'NOT_FOUND' }))
  })
})

it('the content policy lets in the styles that the charts’ library puts into a page, by their hashes', () => {
  const folder = createRequire(import.meta.url).resolve('apexcharts')
  const hashOf = (text: string) => `'sha256-${createHash('sha256').update(text).digest('base64')}'`
  expect(hashOf(readFileSync(join(dirname(folder), 'apexcharts.css'), 'utf8'))).toBe(chartStyles[0])
  // The legend's styles stand in the script, as the text node that it makes.
  const [, legend = ''] =
    /createTextNode\(("\\n {6}\.apexcharts-flip-y.*?[^\\]")\)/s.exec(readFileSync(folder, 'utf8')) ?? []
  expect(hashOf(JSON.parse(legend) as string)).toBe(chartStyles[1])
})
