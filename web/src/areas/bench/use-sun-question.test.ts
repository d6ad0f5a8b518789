import type { Sites } from '@binoculum/contract'
import { effectScope, nextTick, reactive, ref } from 'vue'
import { idOf } from '../../testing/ids.ts'
import { useSunQuestion, type SunAnswer } from './use-sun-question.ts'

const MARCH_NIGHT_MS = Date.parse('2026-03-14T22:00:00Z')
const HOUR_MS = 3_600_000
const place = (id: string, branchId: string, longitudeDeg = -8) => ({
  id: idOf(id),
  branchId: idOf(branchId),
  branchName: branchId,
  version: 1,
  name: id,
  zone: 'Europe/Dublin',
  latitudeDeg: 52,
  longitudeDeg,
  ...{ heightM: null, needleDeg: null, needleOn: null },
  needle: { declinationDeg: null, source: 'unknown', changeDegPerYear: null, reason: null },
})
const realFetch = globalThis.fetch
afterEach(() => (globalThis.fetch = realFetch))

/** A desk whose two clocks and whose server say what a test wants. */
async function desk(
  given: {
    readonly sites?: readonly object[]
    readonly serverMs?: number
    readonly siteId?: string | null
    readonly answer?: Partial<SunAnswer>
  } = {},
) {
  const { serverMs = MARCH_NIGHT_MS, siteId = null, sites = [place('yard', 'b1')] } = given
  globalThis.fetch = () =>
    Promise.resolve(Response.json({ sites, nowUtc: new Date(serverMs).toISOString() } as unknown as Sites))
  const clocks = reactive({ deviceMs: MARCH_NIGHT_MS, steadyMs: 5000 })
  const answer = ref<SunAnswer>({ shaded: null, ...given.answer })
  const scope = effectScope()
  const question = scope.run(() =>
    useSunQuestion(answer, {
      branchId: () => idOf('b1'),
      siteId: () => siteId && idOf(siteId),
      clock: () => new Date(clocks.deviceMs),
      steadyMs: () => clocks.steadyMs,
    }),
  )
  if (!question) throw new Error('no scope')
  for (let turn = 0; turn < 20 && !question.site.value; turn++) await new Promise((done) => setTimeout(done, 5))
  await nextTick()
  return { question, clocks, answer }
}

it('by night, both clocks agreed, nothing is asked; time passes on both', async () => {
  const { question, clocks } = await desk()
  expect(question.question.value.asked).toBe(false)
  clocks.deviceMs += HOUR_MS
  clocks.steadyMs += HOUR_MS
  question.look()
  expect(question.question.value.asked).toBe(false)
  expect(question.now.value.toISOString()).toBe('2026-03-14T23:00:00.000Z')
})

it('a server’s clock by day asks, whatever the device says', async () => {
  const { question, answer } = await desk({ serverMs: MARCH_NIGHT_MS - 9 * HOUR_MS })
  expect(question.question.value.asked).toBe(true)
  expect(answer.value.sun).toEqual({ siteId: idOf('yard'), asked: true })
})

it('the device’s clock set to night after the page came: the steady clock tells, and it is asked', async () => {
  const noonMs = MARCH_NIGHT_MS - 9 * HOUR_MS
  const { question, clocks } = await desk({ serverMs: noonMs })
  clocks.deviceMs = MARCH_NIGHT_MS
  clocks.steadyMs += 60_000
  question.look()
  expect(question.question.value.asked).toBe(true)
  expect(question.now.value.getTime()).toBe(noonMs + 60_000)
})

it('agreed by night, then the device is set back to another night: no longer believed', async () => {
  const { question, clocks } = await desk()
  clocks.deviceMs -= 24 * HOUR_MS
  question.look()
  expect(question.question.value.asked).toBe(true)
})

it('a remembered place is the check’s own even where it is another branch’s; an unknown one falls to this branch’s', async () => {
  const sites = [place('far', 'b2', -7), place('yard', 'b1')]
  const ours = await desk({ sites })
  expect(ours.question.site.value?.name).toBe('yard')
  const theirs = await desk({ sites, siteId: 'far' })
  expect(theirs.question.site.value?.name).toBe('far')
  expect(theirs.answer.value.sun?.siteId).toBe(idOf('far'))
  const gone = await desk({ sites, siteId: 'razed' })
  expect(gone.question.site.value?.name).toBe('yard')
})

it('an answer holds for two hours of the same day, and is asked for again', async () => {
  const { question, clocks, answer } = await desk({ serverMs: MARCH_NIGHT_MS - 9 * HOUR_MS })
  answer.value.shaded = true
  await nextTick()
  clocks.deviceMs += HOUR_MS
  question.look()
  await nextTick()
  expect(answer.value.shaded).toBe(true)
  clocks.deviceMs += 1.1 * HOUR_MS
  question.look()
  await nextTick()
  expect(answer.value.shaded).toBeNull()
})
