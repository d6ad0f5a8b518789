import { finishCheckSchema, stationSchema } from './checks.ts'
import { guideSchema } from './guides.ts'
import { handOutSchema, partMarkSchema, takeBackSchema } from './loans.ts'
import { previewListSchema } from './lists.ts'
import { noticeSchema } from './follow-up.ts'
import { writeSpareSchema } from './models.ts'
import { printQuerySchema } from './printing.ts'
import { acceptInvitationSchema, inviteSchema, signInSchema } from './people.ts'

const id = '6f1c2a6e-93a4-4c6e-8d63-0c6a0f2f2a11'
const handOut = {
  idempotencyKey: id,
  kitVersion: 1,
  promisedLoanId: null,
  borrower: { id },
  adultSeen: true,
  sunAcknowledged: true,
  agreementId: id,
  acceptance: 'screen',
  contentsAgreed: true,
  dueOn: '2028-02-29',
}
const takeBack = {
  idempotencyKey: id,
  loanVersion: 1,
  marks: [{ partId: id, mark: 'missing', presentCount: 0 }],
  answers: {
    whatDidNotWork: '',
    dropped: false,
    wet: false,
    glassWhole: true,
    batteryDoorShut: true,
    sunFilterFound: false,
  },
  outcome: 'hold',
}
const paths = (
  schema: { safeParse: (value: unknown) => { success: boolean; error?: { issues: { path: PropertyKey[] }[] } } },
  value: unknown,
) => schema.safeParse(value).error?.issues.map(({ path }) => path.join('.')) ?? []

it('takes a whole hand-out and take-back, leaving out what may be left out', () => {
  expect(handOutSchema.parse(handOut)).toMatchObject({ overruleReason: '' })
  expect(takeBackSchema.parse(takeBack)).toMatchObject({ outcomeReason: '', marks: [{ note: '' }] })
})

it.each([
  { change: { dueOn: '2027-02-29' }, path: 'dueOn' },
  { change: { dueOn: '26.3.2026' }, path: 'dueOn' },
  { change: { kitVersion: 1.5 }, path: 'kitVersion' },
  { change: { kitVersion: NaN }, path: 'kitVersion' },
  { change: { idempotencyKey: 'again' }, path: 'idempotencyKey' },
  { change: { adultSeen: 'yes' }, path: 'adultSeen' },
  { change: { acceptance: 'by telephone' }, path: 'acceptance' },
  { change: { overruleReason: 'x'.repeat(501) }, path: 'overruleReason' },
])('hand-out: $change is refused at $path', ({ change, path }) => {
  expect(paths(handOutSchema, { ...handOut, ...change })).toEqual([path])
})

it.each([
  { mark: { partId: id, mark: 'gone', presentCount: 0 }, path: 'mark' },
  { mark: { partId: id, mark: 'missing', presentCount: -1 }, path: 'presentCount' },
  { mark: { partId: 'slug', mark: 'missing', presentCount: 0 }, path: 'partId' },
  { mark: { partId: id, mark: 'missing', presentCount: 0, note: 'x'.repeat(501) }, path: 'note' },
])('mark $mark is refused at $path', ({ mark, path }) => expect(paths(partMarkSchema, mark)).toEqual([path]))

it.each([
  { station: { station: 'glass', asFound: 'fine', asLeft: 'so-so' }, path: 'asLeft' },
  {
    station: { station: 'assembly', steps: [{ key: 'legs', title: 'Legs', phase: 'stand', asFound: 'fine' }] },
    path: 'steps.0.asLeft',
  },
  {
    station: {
      station: 'collimation',
      asFound: { offsetMm: 61, clockHours: 1 },
      asLeft: { offsetMm: 1, clockHours: 1 },
    },
    path: 'asFound.offsetMm',
  },
  {
    station: {
      station: 'collimation',
      asFound: { offsetMm: 1, clockHours: 0 },
      asLeft: { offsetMm: 1, clockHours: 12 },
    },
    path: 'asFound.clockHours',
  },
  {
    station: {
      station: 'finder',
      asFound: { way: 'typed', misalignmentArcmin: -1 },
      asLeft: { way: 'typed', misalignmentArcmin: 1 },
    },
    path: 'asFound.misalignmentArcmin',
  },
  {
    station: { station: 'finder', asFound: { way: 'guess' }, asLeft: { way: 'typed', misalignmentArcmin: 1 } },
    path: 'asFound.way',
  },
  { station: { station: 'kitchen', asFound: 'fine', asLeft: 'fine' }, path: 'station' },
])('station $station.station is refused at $path', ({ station, path }) =>
  expect(paths(stationSchema, station)).toEqual([path]),
)

it('a check without a station is none', () => {
  const check = { idempotencyKey: id, kitVersion: 1, stations: [], doneJobIds: [], backToShelf: true }
  expect(paths(finishCheckSchema, check)).toEqual(['stations'])
})

const spare = {
  branchId: id,
  name: 'Cap',
  role: 'focuser-cap',
  count: 1,
  massG: null,
  costMinor: null,
  version: null,
}
const notice = { idempotencyKey: id, modelId: id, text: 'crack in leg 2', dueOn: '2026-04-01', stops: false }

it.each([
  { schema: signInSchema, value: { email: 'nobody', password: 'x' }, path: 'email' },
  { schema: signInSchema, value: { email: 'a@b.example', password: '' }, path: 'password' },
  { schema: acceptInvitationSchema, value: { password: 'elevensigns' }, path: 'password' },
  { schema: inviteSchema, value: { branchId: id, role: 'owner', name: 'A', email: 'a@b.example' }, path: 'role' },
  {
    schema: inviteSchema,
    value: { branchId: id, role: 'volunteer', name: '  ', email: 'a@b.example' },
    path: 'name',
  },
  {
    schema: previewListSchema,
    value: { branchId: id, fileName: 'x', contentBase64: 'not base64!' },
    path: 'contentBase64',
  },
  { schema: printQuerySchema, value: { kind: 'kits', codes: '' }, path: 'codes' },
  { schema: printQuerySchema, value: { kind: 'kits', codes: 'M-1', first: '0' }, path: 'first' },
  { schema: writeSpareSchema, value: { ...spare, count: -1 }, path: 'count' },
  { schema: noticeSchema, value: { ...notice, dueOn: 'soon' }, path: 'dueOn' },
])('$value is refused at $path', ({ schema, value, path }) => expect(paths(schema, value)).toEqual([path]))

it('a guide of a later version is not misread as today’s', () => {
  expect(guideSchema.safeParse({ version: 2 }).success).toBe(false)
})
