import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import CsvButton from '../../shared/controls/CsvButton.vue'
import { serverWith } from '../../testing/answers.ts'
import { testKit } from '../../testing/kit-sheet.ts'
import { useSession } from '../people/session.ts'
import ArchivePage from '../setup/ArchivePage.vue'
import { shelfTable } from '../shelf/shelf-table.ts'
import BuyingPage from './BuyingPage.vue'
import FiguresTable from './FiguresTable.vue'

const branchId = '00000000-0000-4000-8000-00000000000b'
const pinia = createPinia()
beforeEach(() => {
  setActivePinia(pinia)
  useSession().current = {
    memberships: [{ branchId, branchName: 'Marrowdale', role: 'coordinator' }],
  } as never
})
const links = { global: { plugins: [pinia], stubs: { RouterLink: { template: '<a><slot /></a>' } } } }

describe('a table as a file', () => {
  let saved = ''
  beforeEach(() => {
    saved = ''
    globalThis.URL.createObjectURL = (blob) => {
      const reader = new FileReader()
      reader.onload = () => (saved = String(reader.result))
      reader.readAsText(blob as Blob)
      return 'blob:'
    }
    globalThis.URL.revokeObjectURL = () => undefined
  })
  const press = async (rows: unknown) => {
    await mount(CsvButton, { props: { rows, name: 'x' } as never })
      .find('button')
      .trigger('click')
    await flushPromises()
    await new Promise((done) => setTimeout(done, 200))
    return saved
  }

  it('has its columns’ names first and nothing in it that a spreadsheet would run', async () => {
    expect(await press([{ name: '=HYPERLINK("x")', loans: 3, note: 'a, b' }])).toContain(
      `name,loans,note\r\n"'=HYPERLINK`,
    )
  })
  it('is made only when somebody saves it, from what is seen then', async () => {
    let made = 0
    const rows = () => {
      made++
      return [{ kit: 'M-01' }]
    }
    const button = mount(CsvButton, { props: { rows, name: 'x' } })
    expect([button.find('button').attributes('disabled'), made]).toEqual([undefined, 0])
    expect(await press(rows)).toContain('kit\r\nM-01')
  })
})

it('the shelf’s table has its groups, conditions and reasons in words', () => {
  const [row] = shelfTable([
    {
      title: 'On the shelf',
      kits: [
        {
          ...testKit(),
          reasons: [
            {
              code: 'EXTRA_PART',
              condition: 'half',
              figures: { part: 'cap', count: 1 },
              source: '',
              remedy: 'take-out-extra',
              minutes: 1,
              overrule: 'coordinator',
            },
          ],
        },
      ],
    },
  ])
  expect(row).toMatchObject({ where: 'On the shelf', code: testKit().code, condition: expect.stringMatching(/\w/) })
  expect(row?.reason).toMatch(/\.$/)
})

it('a chart’s figures stand in a table, numbers to the right, open where they are what was come for', () => {
  const shut = mount(FiguresTable, { props: { rows: [{ month: 'May 2026', loans: 3 }], name: 'x' } })
  expect(shut.find('details').exists()).toBe(true)
  const open = mount(FiguresTable, { props: { rows: [{ month: 'May 2026', loans: 3 }], name: 'x', open: true } })
  expect(open.find('details').exists()).toBe(false)
})

describe('the archive', () => {
  it('names nobody unless it is asked to, and says what that means', async () => {
    const page = mount(ArchivePage, links)
    const everything = () => page.findAll('[href]').find((link) => link.text() === 'Everything as JSON')
    expect(everything()?.attributes('href')).toBe(`/api/branches/${branchId}/archive`)
    expect(page.text()).toContain('Nobody who borrows is named.')
    await page.find('input[type=checkbox]').setValue(true)
    expect(everything()?.attributes('href')).toBe(`/api/branches/${branchId}/archive?borrowers=with`)
    expect(page.text()).toContain('These files name people.')
  })
  it('is a coordinator’s', () => {
    useSession().current = { memberships: [{ branchId, branchName: 'M', role: 'volunteer' }] } as never
    expect(mount(ArchivePage, links).text()).toContain('Only a coordinator')
  })
})

describe('buying and mending', () => {
  const model = {
    ...{ modelId: branchId, modelName: 'wide 114/450', kits: 1, kitsWithoutPrice: 1, loans: 40, years: 2 },
    ...{ lostMinor: 0, benchMinutes: 20, beyond: null, costMinor: null },
  }
  const buying = {
    ...{ branchName: 'Marrowdale', currency: 'EUR', today: '2026-03-12', sinceYear: 2024, recordYears: 2.2 },
    assumed: { lifeYears: 8, leadWeeks: 6, serviceLevel: 0.95 },
    models: [model],
    spares: [
      {
        ...{ role: 'front-cap', losses: 6, aYear: { rate: 3, low: 1, high: 6 }, expected: 0.3 },
        ...{ keep: 2, have: 0, order: 2, pieceMinor: 350 },
      },
    ],
  }
  it('says why nothing can be said of a model without a price, and what to order', async () => {
    const path = `/api/branches/${branchId}/buying?lifeYears=8&leadWeeks=6&serviceLevel=0.95`
    serverWith({ [path]: buying, [`GET ${path}`]: buying })
    const page = mount(BuyingPage, links)
    await flushPromises()
    expect(page.text()).toContain('No model has prices for all its kits')
    expect(page.text()).toContain('Order 2 pieces for about 7 EUR: then each part is there 95 times in 100.')
    expect(page.find('[download]').attributes('href')).toContain(`/api/branches/${branchId}/buying/pdf?lifeYears=8`)
  })
})
