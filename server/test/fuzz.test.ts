import fc from 'fast-check'
import { z } from 'zod'
import { startTestServer, type Agent } from './support.ts'
import { routesOf, validRequests, type Ask, type Route } from './valid-requests.ts'
import { cases, isSlow } from '../../core/src/testing/sweep.ts'

/** Requests made from the contract's own schemas, and valid ones with one thing broken: whatever comes, the answer is one of
 * ours, it tells nothing of the inside, and what is refused has changed nothing. */
const REQUESTS = cases(600, 20_000, 100)
const SEED = Number(process.env.FUZZ_SEED ?? 20_260_312)

let server: Awaited<ReturnType<typeof startTestServer>>
let ines: Agent
beforeAll(async () => {
  server = await startTestServer()
  ines = await server.signIn('ines')
})
afterAll(() => server.close())

const strange = fc.oneof(
  fc.constantFrom<unknown>(null, true, '', ' ', -1, 0, 1.5, 2_147_483_648, 1e308, -0, [], {}, [[]], 'x'.repeat(3000)),
  fc.constantFrom(
    '\0',
    '\uD800',
    'a\0b',
    '\uDFFFz',
    '‮',
    '%00',
    "'; DROP TABLE kit; --",
    '{{7*7}}',
    '../../etc/passwd',
  ),
  fc.constantFrom('2026-02-30', '9999-12-31', '0000-00-00', '-271821-04-20', 'NaN', 'Infinity', '1e999'),
  fc.constant({ __proto__: null, constructor: { prototype: 1 } }),
  fc.string({ unit: 'binary', maxLength: 30 }),
  fc.double(),
  fc.integer(),
  fc.jsonValue(),
)

type Shape = Record<string, unknown> & { type?: string }
const KEYS = 12
/** Values of a JSON schema that look right and mostly are. */
function likely(shape: Shape, depth = 0): fc.Arbitrary<unknown> {
  const { type } = shape
  if (Array.isArray(shape.enum)) return fc.constantFrom(...(shape.enum as unknown[]))
  if ('const' in shape) return fc.constant(shape.const)
  const choices = (shape.anyOf ?? shape.oneOf) as Shape[] | undefined
  if (choices) return fc.oneof(...choices.map((each) => likely(each, depth + 1)))
  if (type === 'object') {
    const fields = Object.entries((shape.properties ?? {}) as Record<string, Shape>)
    if (fields.length === 0) return fc.constant({})
    const required = new Set((shape.required as string[] | undefined) ?? [])
    return fc
      .tuple(
        ...fields.map(([key, each]) =>
          fc.option(likely(each, depth + 1), { freq: required.has(key) ? 40 : 2, nil: undefined }),
        ),
      )
      .map((values) => Object.fromEntries(fields.map(([key], at) => [key, values[at]])))
  }
  const places = shape.prefixItems as Shape[] | undefined
  if (places) return fc.tuple(...places.map((each) => likely(each, depth + 1)))
  if (type === 'array')
    return fc.array(likely((shape.items ?? {}) as Shape, depth + 1), { maxLength: depth > 2 ? 1 : 3 })
  if (type === 'boolean') return fc.boolean()
  if (type === 'integer') return fc.integer({ min: -2, max: KEYS })
  if (type === 'number')
    return fc.oneof(fc.double({ min: -200, max: 5000, noNaN: true }), fc.integer({ min: 0, max: 90 }))
  if (type === 'null') return fc.constant(null)
  if (type === 'string') {
    if (shape.format === 'uuid') return fc.uuid()
    if (shape.format === 'date') return fc.constantFrom('2026-03-20', '2026-04-01', '2036-01-01')
    if (shape.format === 'date-time') return fc.constant('2026-03-12T14:00:00Z')
    return fc.string({ maxLength: 40 })
  }
  return strange
}

/** Another body with one value of it, however deep, put for something strange; or a key too many, or one too few. */
function broken(body: unknown): fc.Arbitrary<unknown> {
  const paths: string[][] = []
  const walk = (value: unknown, path: string[]) => {
    paths.push(path)
    if (typeof value === 'object' && value !== null)
      for (const [key, each] of Object.entries(value)) walk(each, [...path, key])
  }
  walk(body, [])
  return fc
    .tuple(fc.constantFrom(...paths), strange, fc.constantFrom('put', 'drop', 'add'))
    .map(([path, value, how]) => {
      if (path.length === 0) return how === 'add' && typeof body === 'object' ? { ...body, extra: value } : value
      const copy = structuredClone(body) as Record<string, unknown>
      let at = copy
      for (const key of path.slice(0, -1)) at = at[key] as Record<string, unknown>
      const last = path.at(-1) ?? ''
      if (how === 'drop') delete at[last]
      else at[last] = value
      return copy
    })
}

const brokenUrl = (url: string): fc.Arbitrary<string> =>
  fc
    .tuple(fc.constantFrom('%00', '%ff', '%', '..%2f', 'x'.repeat(300), '🔭', '', '%27--', "'"), fc.nat(url.length))
    .map(([put, at]) => encodeURI(url.slice(0, at)) + put + url.slice(at))

const internals =
  /node_modules|\.ts:\d|at async|QueryFailed|violates|relation "|syntax error|SELECT |INSERT |password_hash|ECONN|typeorm|Cannot read prop/i

const apart = /^(get \/api\/live|delete \/api\/session|post \/api\/session|post \/api\/invitations|.*second-factor)/
const everything = async (): Promise<unknown> =>
  server.source.query(
    `SELECT (SELECT count(*) FROM record WHERE act <> 'signed-in') AS record, (SELECT sum(version) FROM kit) AS kits,
       (SELECT sum(version) FROM loan) AS loans, (SELECT sum(version) FROM spare) AS spares,
       (SELECT sum(version) FROM model) AS models, (SELECT sum(version) FROM site) AS sites,
       (SELECT sum(version) FROM landmark) AS landmarks, (SELECT count(*) FROM membership) AS members,
       (SELECT count(*) FROM picture) AS pictures, (SELECT count(*) FROM message) AS letters`,
  )

it(
  `${REQUESTS} requests: no fault of ours, nothing of the inside, no change after a refusal`,
  async () => {
    const requests = await validRequests(server, ines)
    const routes = routesOf(server).filter(
      ({ method, path }) => path.startsWith('/api/') && !apart.test(`${method} ${path}`),
    )
    const bodyOf = ({ method, path }: Route) =>
      server.app.routeRules.find(
        (rule) => rule.method === method.toUpperCase() && rule.url.replace(':code', ':id') === path,
      )?.body
    const wrong: string[] = []
    const met = new Map<number, number>()
    let asked = 0
    let known: unknown
    // The valid requests change things as they are made, so they are made once, before anything is tried.
    const made: [Route, Ask][] = []
    for (const route of routes) {
      const ask = await requests[`${route.method} ${route.path}`]?.()
      if (ask) made.push([route, ask])
    }
    const each = Math.ceil(REQUESTS / made.length)
    for (const [at, [route, ask]] of made.entries()) {
      const { method } = route
      const schema = bodyOf(route)
      const shape =
        schema instanceof z.ZodType ? (z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' }) as Shape) : {}
      const url = fc.oneof(
        { weight: 8, arbitrary: fc.constant(ask.url) },
        { weight: 1, arbitrary: brokenUrl(ask.url) },
      )
      const body =
        method === 'get' || method === 'delete'
          ? fc.constant(undefined)
          : fc.oneof(broken(ask.body ?? {}), likely(shape), strange)
      for (const [to, sent] of fc.sample(fc.tuple(url, body), { numRuns: each, seed: SEED + at })) {
        // Each from a machine of its own: how often one may ask is not what is tried here.
        const reply = await server.app.inject({
          ...{ method: method.toUpperCase() as 'GET', url: to, remoteAddress: `127.1.${asked >> 8}.${asked & 255}` },
          headers: {
            cookie: ines.cookie ?? '',
            ...(sent === undefined ? {} : { 'content-type': 'application/json' }),
          },
          ...(sent === undefined ? {} : { payload: JSON.stringify(sent) }),
        })
        asked++
        met.set(reply.statusCode, (met.get(reply.statusCode) ?? 0) + 1)
        const told = `${method} ${to.slice(0, 120)} ${JSON.stringify(sent)?.slice(0, 400)} → ${reply.statusCode} ${reply.body.slice(0, 300)}`
        if (reply.statusCode >= 500) wrong.push(`our fault: ${told}`)
        if (reply.statusCode >= 400 && internals.test(reply.body)) wrong.push(`of the inside: ${told}`)
        const now = JSON.stringify(await everything())
        if (reply.statusCode >= 400 && known !== undefined && now !== known) wrong.push(`changed: ${told}`)
        known = now
      }
    }
    expect(asked).toBeGreaterThanOrEqual(REQUESTS)
    // It must get past the contract often enough to try what lies behind it.
    expect(met.get(200) ?? 0).toBeGreaterThan(asked / 20)
    expect(wrong.slice(0, 20)).toEqual([])
  },
  isSlow ? 1_800_000 : 240_000,
)
