import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { gunzipSync } from 'node:zlib'
import type { IssuedGuide } from '@binoculum/contract'
import { composeGuide } from '@binoculum/core'
import { GuidePages } from './page.ts'

/** A built folder with one page whose pieces come at once, later, and by way of each other. */
const manifest = {
  'src/borrower/entry-client.ts': {
    file: 'assets/guide-1.js',
    css: ['assets/guide-1.css'],
    imports: ['_shared.js'],
    dynamicImports: ['src/shared/drawings/StepDrawing.vue'],
  },
  '_shared.js': { file: 'assets/shared-2.js', css: ['assets/shared-2.css'], imports: ['_round.js'] },
  '_round.js': { file: 'assets/round-3.js', imports: ['_shared.js'] },
  'src/shared/drawings/StepDrawing.vue': {
    file: 'assets/drawing-4.js',
    css: ['assets/drawing-4.css'],
    assets: ['assets/hand-5.woff2'],
  },
  'index.html': { file: 'assets/rooms-9.js', css: ['assets/rooms-9.css'] },
}
const token = 'thrush-meadow-lantern-27'
let folder: string
let pages: GuidePages

const guide = (kitName = 'Wren'): IssuedGuide =>
  composeGuide({
    kitName,
    kitCode: 'M-01',
    modelName: 'tabletop reflector 76/300',
    family: 'tabletop-reflector',
    optics: { apertureMm: 76, focalLengthMm: 300, kind: 'newtonian', collimatable: false, collapsible: false },
    parts: [],
    collimationPolicy: 'leave-it-to-us',
    branchName: 'Quillstead Library',
    emergencyLine: 'the poison line',
    issuedOn: '2026-04-17',
    dueOn: '2026-05-01',
    language: 'es',
  }) as IssuedGuide

beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'guide-pages-'))
  mkdirSync(join(folder, 'dist', '.vite'), { recursive: true })
  mkdirSync(join(folder, 'dist-server'))
  writeFileSync(join(folder, 'dist', '.vite', 'manifest.json'), JSON.stringify(manifest))
  writeFileSync(
    join(folder, 'dist-server', 'entry-server.js'),
    'export const renderGuide = ({ startLanguage }) => Promise.resolve(`<main>${startLanguage}</main>`)',
  )
  writeFileSync(join(folder, 'dist-server', 'package.json'), '{"type":"module"}')
  pages = new GuidePages(join(folder, 'dist'))
})
afterAll(() => rmSync(folder, { recursive: true }))

const stateOf = (html: string): { assets: string[]; token: string; guide: { kitName: string } } => {
  const found = /<script type="application\/json" id="guide-state">(.*)<\/script>/.exec(html)
  return JSON.parse(found?.[1] ?? '') as ReturnType<typeof stateOf>
}

it('names its script and styles, and for the copy all that comes later too, each once, and nothing of the rooms', async () => {
  const html = (await pages.page(guide(), token, undefined)) ?? ''
  expect([...html.matchAll(/<script type="module" src="([^"]+)"/g)].map(([, src]) => src)).toEqual([
    '/assets/guide-1.js',
  ])
  const styles = [...html.matchAll(/rel="stylesheet" href="([^"]+)"/g)].map(([, href]) => href)
  expect(styles).toEqual(['/assets/guide-1.css', '/assets/shared-2.css'])
  expect([...stateOf(html).assets].sort()).toEqual([
    '/assets/drawing-4.css',
    '/assets/drawing-4.js',
    '/assets/guide-1.css',
    '/assets/guide-1.js',
    '/assets/hand-5.woff2',
    '/assets/round-3.js',
    '/assets/shared-2.css',
    '/assets/shared-2.js',
  ])
  expect(html).not.toContain('rooms-9')
})

it.each([
  [undefined, 'es'],
  ['en', 'en'],
  ['es', 'es'],
  ['xx', 'es'],
  ['"><script>', 'es'],
])('asked for %p it speaks %s', async (asked, spoken) => {
  const html = (await pages.page(guide(), token, asked)) ?? ''
  expect(html).toContain(`<html lang="${spoken}">`)
  expect(html).toContain(`<main>${spoken}</main>`)
})

it('a kit’s name can neither end a tag nor the state beside the page', async () => {
  const name = 'Wren</script><script>alert(1)</script> & "friends"'
  const html = (await pages.page(guide(name), token, 'en')) ?? ''
  expect(html).toContain('<title>Wren&lt;/script&gt;&lt;script&gt;alert(1)&lt;/script&gt; &amp; &quot;friends&quot;')
  expect(html.match(/<\/script>/g)).toHaveLength(2)
  expect(stateOf(html).guide.kitName).toBe(name)
})

it('a page is rendered once for its link and its language, and travels compressed', async () => {
  let loads = 0
  const load = async () => {
    loads++
    return guide()
  }
  const ask = (asked: { token?: string; language?: string }) =>
    pages.compressed('one guide', { token: asked.token ?? token, language: asked.language }, load)
  const [first, again] = [await ask({}), await ask({})]
  expect(gunzipSync(first ?? Buffer.alloc(0)).toString()).toBe(await pages.page(guide(), token, undefined))
  expect([again, loads]).toEqual([first, 1])
  await ask({ language: 'en' })
  await ask({ token: 'another-link-of-the-same' })
  expect(loads).toBe(3)
})

it('no search engine and no other page learns of the link', async () => {
  const html = (await pages.page(guide(), token, 'en')) ?? ''
  expect(html).toContain('<meta name="robots" content="noindex, nofollow">')
  expect(html).toContain('<meta name="referrer" content="no-referrer">')
})

it('put on a first screen it opens itself and nothing else', () => {
  const sheet = pages.manifest(guide(), token) as { start_url: string; scope: string; name: string }
  expect(sheet.start_url).toBe(`/g/${token}`)
  expect(sheet.scope).toBe(`/g/${token}`)
  expect(sheet.name).toBe('Wren, Quillstead Library')
})

it('where the screens weren’t built there is no page', async () => {
  expect(await new GuidePages(join(folder, 'nowhere')).page(guide(), token, 'en')).toBeNull()
  expect(new GuidePages(join(folder, 'nowhere')).file('guide-worker.js')).toBeNull()
})
