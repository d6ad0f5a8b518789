import { readdirSync, readFileSync } from 'node:fs'
import { speak, wordsOf } from './translation.ts'

const en = {
  page: {
    goesOut: '{name} goes out',
    kits: 'one kit at {place} | {n} kits at {place}',
    mail: "{name}{'@'}{domain}",
    leave: 'Leave it',
    waits: ' · waits ',
  },
} as const
const es = { page: { goesOut: 'sale {name}', kits: 'un equipo en {place} | {n} equipos en {place}' } }
const t = wordsOf('a room', { en, es })('page')

describe('words of a room', () => {
  afterAll(() => speak('en'))

  it('fill their blanks, and are counted', () => {
    expect(t('goesOut', { name: 'Heron' })).toBe('Heron goes out')
    expect([0, 1, 2].map((n) => t('kits', { n, place: 'the desk' }))).toEqual([
      '0 kits at the desk',
      'one kit at the desk',
      '2 kits at the desk',
    ])
    expect(t('waits')).toBe(' · waits ')
    expect(t('mail', { name: 'ines', domain: 'example' })).toBe('ines@example')
  })
  it('what isn’t there leaves its blank empty', () => {
    expect(t('goesOut', { name: null })).toBe(' goes out')
  })
  it('are said in another language where there are such, else in English', () => {
    speak('es')
    expect(t('kits', { n: 2, place: 'la mesa' })).toBe('2 equipos en la mesa')
    expect(t('leave')).toBe('Leave it')
  })
})

/** Words that nobody says, and blanks left open, are seen by the compiler or here. */
describe('no word of a room is left over', () => {
  const src = new URL('..', import.meta.url)
  const files = readdirSync(src, { recursive: true, encoding: 'utf8' }).filter((file) =>
    /^(areas|shared)\//.test(file),
  )
  const said = new Map<string, string>()
  for (const file of files.filter((each) => /\.(vue|ts)$/.test(each) && !/words\.en|\.test\./.test(each))) {
    const text = readFileSync(new URL(file, src), 'utf8')
    const section = /const t = (\w+)Words\('(\w+)'\)/.exec(text)
    if (section) said.set(`${section[1]}.${section[2]}`, text)
  }
  it.each(files.filter((file) => file.endsWith('words.en.ts')))('%s', async (file) => {
    const { en: words } = (await import(new URL(file, src).href)) as { en: Record<string, Record<string, string>> }
    const room = file === 'areas/words.en.ts' ? 'frame' : file.split('/').at(-2)
    const left = Object.entries(words).flatMap(([section, sentences]) =>
      Object.keys(sentences).flatMap((key) =>
        said.get(`${room}.${section}`)?.includes(`t('${key}'`) ? [] : [`${section}.${key}`],
      ),
    )
    expect(left).toEqual([])
  })
})
