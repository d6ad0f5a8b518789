import { randomUUID } from 'node:crypto'
import { expect, type BrowserContext } from '@playwright/test'
import { baseUrl } from './people.ts'

export interface KitView {
  id: string
  version: number
  branchId: string
  condition: string
  loan: { id: string } | null
  jobs: { id: string }[]
  parts: {
    id: string
    name: string
    mark: string
    lookEveryTime: boolean
    massG: number
    count: number
    weighGroup: string
    wrongItem: string
    optics: Record<string, number>
  }[]
  history: { act: string; after: Record<string, unknown> | null }[]
}

async function answered<T>(reply: Awaited<ReturnType<BrowserContext['request']['get']>>): Promise<T> {
  expect(reply.ok(), `${reply.url()}: ${await reply.text()}`).toBe(true)
  return (await reply.json()) as T
}

export const read = async <T>(context: BrowserContext, path: string): Promise<T> =>
  answered<T>(await context.request.get(`${baseUrl()}${path}`))

export const send = async <T>(context: BrowserContext, path: string, data: unknown): Promise<T> =>
  answered<T>(await context.request.post(`${baseUrl()}${path}`, { data }))

export const kitOf = (context: BrowserContext, code: string) => read<KitView>(context, `/api/kits/${code}`)

interface HandOutView {
  kit: KitView
  agreement: { id: string }
  dueOn: string
  promised: { loanId: string; borrower: { id: string } } | null
}

/** Hands a kit out as the desk does, to whom it is promised, unless it is out, so that a test can take it back. @returns the loan's id */
export async function loanOut(context: BrowserContext, code: string): Promise<string> {
  const before = await kitOf(context, code)
  if (before.loan) return before.loan.id
  const { dueOn, promised, ...form } = await read<HandOutView>(context, `/api/kits/${code}/hand-out`)
  await send(context, `/api/kits/${form.kit.id}/hand-out`, {
    idempotencyKey: randomUUID(),
    kitVersion: form.kit.version,
    promisedLoanId: promised?.loanId ?? null,
    borrower: promised ? { id: promised.borrower.id } : { name: 'Nell Teague', contact: 'nell@post.example' },
    adultSeen: true,
    sunAcknowledged: true,
    agreementId: form.agreement.id,
    acceptance: 'screen',
    contentsAgreed: true,
    filterChecked: true,
    dueOn,
    overruleReason: 'for a test of the desk',
  })
  const { loan } = await kitOf(context, code)
  return loan?.id ?? ''
}

/** Brings a kit of so many plain parts in, as a list; kits of as many parts share a model. */
export async function bringIn(context: BrowserContext, code: string, parts: number): Promise<void> {
  const { session } = await read<{ session: { memberships: { branchId: string; role: string }[] } }>(
    context,
    '/api/session',
  )
  const branchId = session.memberships.find(({ role }) => role === 'coordinator')?.branchId
  const rows = Array.from(
    { length: parts },
    (_, index) => `${code},${index === 0 ? 'Tube 125/600' : `Eyepiece end cap ${index}`},1,${10 + index} g`,
  )
  const list = `Kit code,Part,How many,Mass\r\n${rows.join('\r\n')}\r\n`
  await send(context, '/api/lists/confirm', {
    branchId,
    fileName: `${code}.csv`,
    contentBase64: Buffer.from(list).toString('base64'),
    decisions: {},
    openCells: true,
    leaveOutProblemRows: false,
    kits: [{ code, name: code, family: 'equatorial-reflector', apertureMm: 100 + parts, focalLengthMm: 650 }],
  }).catch(() => undefined)
  expect((await kitOf(context, code)).parts).toHaveLength(parts)
}

/** Writes something anew as a whole. */
export const replace = async <T>(context: BrowserContext, path: string, data: unknown): Promise<T> =>
  answered<T>(await context.request.put(`${baseUrl()}${path}`, { data }))
