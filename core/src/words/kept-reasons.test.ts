import { marks, roles, type Role } from '../contents/roles.ts'
import { hazardCodes, readingKinds } from '../readiness/judged.ts'
import { judgeReadiness } from '../readiness/judge.ts'
import { jobCodes } from '../readiness/jobs.ts'
import { keptLines } from '../testing/kept.ts'
import { reasonSentence } from './readiness.ts'

/** Every reason that holds a kit back, as it is said, in one file to read through. */
type Judged = Parameters<typeof judgeReadiness>[0]
const atUtc = '2026-03-12T18:00:00Z'
const base: Judged = {
  model: {
    family: 'equatorial-reflector',
    optics: { apertureMm: 130, focalLengthMm: 650, kind: 'newtonian', collimatable: true },
    highestMagnification: 162,
  },
  parts: [{ role: 'tube', mark: 'present' }],
  readings: [],
  hazards: [],
  openJobs: [],
  policies: { maxAgeDays: 120, collimation: 'leave-it-to-us' },
  atUtc,
}
const said = (what: string, change: Partial<Judged>) => {
  const { condition, reasons } = judgeReadiness({ ...base, ...change })
  return [
    `${what} → ${condition}`,
    ...reasons.map((reason) => `${what} ${reason.minutes} min, ${reason.overrule}: ${reasonSentence(reason)}`),
  ]
}
const reading = (kind: (typeof readingKinds)[number], value: number, uncertainty: number, taken = atUtc) => ({
  readings: [{ kind, value, limit: 1, uncertainty, source: 'typed' as const, atUtc: taken }],
})
const kept = keptLines('kept-reasons', [
  ...hazardCodes.flatMap((code) => said(`hazard ${code}`, { hazards: [code] })),
  ...jobCodes.flatMap((code) =>
    ['', 'The left leg wobbles.'].flatMap((text) => said(`job ${code}`, { openJobs: [{ code, text }] })),
  ),
  ...readingKinds.flatMap((kind) => [
    ...said(`reading ${kind} fine`, reading(kind, 0.5, 0.1)),
    ...said(`reading ${kind} in doubt`, reading(kind, 0.95, 0.2)),
    ...said(`reading ${kind} beyond`, reading(kind, 1.7, 0.1)),
    ...said(`reading ${kind} old`, reading(kind, 0.5, 0.1, '2025-03-12T18:00:00Z')),
  ]),
  ...(Object.keys(roles) as Role[]).flatMap((role) =>
    marks.flatMap((mark) => said(`part ${role} ${mark}`, { parts: [...base.parts, { role, mark, count: 2 }] })),
  ),
])

it.each(['hazard', 'job', 'reading', 'part'])('each %s is said as it was said', (what) => {
  const { now, before } = kept(what)
  expect(now).toEqual(before)
})
