import { expect, goTo, press, signIn, test } from '../support/people.ts'
import { kitOf, loanOut, read, send } from '../support/loans.ts'
import { partRows, unseenParts } from '../support/seen.ts'

/** As long as the server takes, without a place to break: nothing may run out of its box. */
const LONG =
  'Eyepiece-with-a-very-long-name-that-somebody-once-copied-from-a-catalogue-and-never-made-shorter-because-it-was-there-1x'
const code = 'STRESS-2026-LONG-KIT-CODE'

test.beforeAll(async ({ browser }) => {
  const context = await browser.newContext()
  await signIn(context, 'ines')
  const known = await context.request.get(`${process.env.BASE_URL}/api/kits/${code}`)
  if (known.ok()) return context.close()
  type Session = { session: { memberships: { branchId: string; role: string }[] } }
  const { session } = await read<Session>(context, '/api/session')
  const branchId = session.memberships.find(({ role }) => role === 'coordinator')?.branchId
  const rows = Array.from(
    { length: 120 },
    (_, index) =>
      `${code},${index === 0 ? 'Tube 76/300' : `${LONG.slice(0, 110)} ${index}`},3,12 g,"A place with a long name, ${index % 9}"`,
  )
  const list = `Kit code,Part,How many,Mass,Place\r\n${rows.join('\r\n')}\r\n`
  await context.request.post(`${process.env.BASE_URL}/api/lists/confirm`, {
    data: {
      branchId,
      fileName: 'long.csv',
      contentBase64: Buffer.from(list).toString('base64'),
      decisions: {},
      openCells: true,
      leaveOutProblemRows: false,
      kits: [{ code, name: LONG.slice(0, 110), family: 'tabletop-reflector', apertureMm: 76, focalLengthMm: 300 }],
    },
  })
  expect((await kitOf(context, code)).parts).toHaveLength(120)
  await loanOut(context, code)
  const drawer = Array.from({ length: 60 }, (_, index) => ({ name: `${LONG.slice(0, 112)} ${index}`, count: index }))
  for (const { name, count } of drawer)
    await send(context, '/api/spares', {
      branchId,
      name,
      role: 'other',
      count,
      massG: 12,
      costMinor: 100,
      note: '',
      version: null,
    })
  await context.close()
})

const SIZES = [
  [1280, 800],
  [820, 1180],
] as const

test('long names and many rows stay inside their boxes, wide and upright @long', async ({ page, context }) => {
  await signIn(context, 'ines')
  const { loan } = await kitOf(context, code)
  const { models } = await read<{ models: { id: string; parts: number }[] }>(context, '/api/models')
  const model = models.find(({ parts }) => parts === 120)
  for (const path of [
    '/shelf',
    '/desk',
    '/desk/follow-up',
    `/kits/${code}`,
    `/desk/take-back/${loan?.id}`,
    '/setup/models',
    `/setup/models/${model?.id}`,
    `/setup/models/${model?.id}/steps`,
    `/setup/models/${model?.id}/mount`,
    `/bench/${code}`,
    '/setup/places',
    '/setup/drawer',
    `/setup/labels?kind=cards&kits=${code}`,
    `/setup/labels?kind=parts&kits=${code}`,
    `/setup/labels?kind=pouches&kits=${code}`,
  ]) {
    await goTo(page, path)
    await page.waitForLoadState('networkidle')
    for (const [width, height] of SIZES) {
      await page.setViewportSize({ width, height })
      // What is laid out by the page's own script follows a frame later.
      await page.evaluate(() => new Promise((drawn) => requestAnimationFrame(() => requestAnimationFrame(drawn))))
      const wide = await page.evaluate(() => document.documentElement.scrollWidth)
      expect(wide, `${path} at ${width}`).toBeLessThanOrEqual(width)
    }
  }
})

test('a card of 120 parts is marked by keys all the same, and its labels are all printed', async ({
  page,
  context,
}) => {
  await signIn(context, 'ines')
  const { loan } = await kitOf(context, code)
  await goTo(page, `/desk/take-back/${loan?.id}`)
  await expect(partRows(page)).toHaveCount(120)
  await press(page, 'Space')
  await press(page, 'm')
  await press(page, 'a')
  await expect(unseenParts(page)).toHaveCount(0)
  await expect(partRows(page).and(page.locator('[data-mark=missing]'))).toHaveCount(1)
  const printed = await read<{ pages: { items: { kind: string; text?: string }[] }[] }>(
    context,
    `/api/prints?kind=parts&codes=${code}&first=20`,
  )
  const labels = printed.pages.flatMap(({ items }) => items.filter(({ text }) => text?.startsWith('STRESS')))
  expect(printed.pages).toHaveLength(Math.ceil((120 + 19) / 21))
  expect(labels.length).toBeGreaterThanOrEqual(120)
})
