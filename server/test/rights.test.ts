import { readFileSync, writeFileSync } from 'node:fs'
import type { StaffRole } from '@binoculum/contract'
import type { Access } from '../src/platform/access.ts'
import { kitOf, passwordOf, startTestServer, type Agent } from './support.ts'
import { routesOf, validRequests, type Ask, type Route } from './valid-requests.ts'

/** Every address, asked with a request that would do by everybody: whoever may, gets it; whoever may not, gets nothing and
 * changes nothing. */
/** A role elsewhere is none here: one coordinates the other branch alone, one also reads here, one also works here. */
const actors = [
  ...(['nobody', 'other branch', 'reads here too', 'read-only'] as const),
  ...(['volunteer', 'works here too', 'coordinator'] as const),
] as const
type Actor = (typeof actors)[number]
type Verdict = 'yes' | 'own' | 'no'

let server: Awaited<ReturnType<typeof startTestServer>>
let agents: Record<Actor, Agent>
let requests: Awaited<ReturnType<typeof validRequests>>
let branchId = ''

beforeAll(async () => {
  server = await startTestServer()
  // One role each: the library's coordinator, volunteer and reader, and a coordinator of the club alone.
  await server.source
    .query(`DELETE FROM membership m USING staff s, branch b WHERE s.id = m.staff_id AND b.id = m.branch_id
    AND b.name LIKE 'Ferncliff%' AND s.email NOT LIKE 'petra%'`)
  await server.source.query(
    `UPDATE membership m SET role = 'coordinator' FROM staff s WHERE s.id = m.staff_id AND s.email LIKE 'petra%'`,
  )
  const [nobody, other, reader, volunteer, coordinator] = [
    server.agent(),
    ...(await Promise.all((['petra', 'jun', 'kofi', 'ines'] as const).map((name) => server.signIn(name)))),
  ] as [Agent, Agent, Agent, Agent, Agent]
  const others = {
    'other branch': other,
    'reads here too': await signInBoth('rhys', 'read-only'),
    'works here too': await signInBoth('wren', 'volunteer'),
  }
  agents = { nobody, ...others, 'read-only': reader, volunteer, coordinator }
  requests = await validRequests(server, coordinator)
  branchId = (await kitOf(coordinator, 'M-12')).branchId
})
afterAll(() => server.close())

/** Somebody who coordinates the club and has a lower role at the library. */
async function signInBoth(name: string, role: StaffRole): Promise<Agent> {
  const email = `${name}@ferncliff.example`
  await server.source.query(
    `WITH made AS (
       INSERT INTO staff (id, name, email, password_hash)
       SELECT gen_random_uuid(), $2, $1, password_hash FROM staff WHERE email LIKE 'kofi%' RETURNING id
     )
     INSERT INTO membership (staff_id, branch_id, role)
     SELECT made.id, b.id, CASE WHEN b.name LIKE 'Ferncliff%' THEN 'coordinator' ELSE $3 END FROM made, branch b`,
    [email, `${name} Lindley`, role],
  )
  const reply = await server.agent().post('/api/session', { email, password: passwordOf('kofi@marrowdale.example') })
  return server.agent(String(reply.headers['set-cookie']).split(';')[0])
}

const nameOf = ({ method, path }: Route) => `${method} ${path}`
/** Screens and their files, and calculations with a picture: a picture is needed, and they are nobody's things. */
const passedOver = (path: string) => !/^\/(api|g|l|feeds)\//.test(path) || /^\/api\/calculators\/[^:]/.test(path)
const ask = (agent: Agent, { method }: Route, { url, body, file, type }: Ask) =>
  file
    ? agent.upload(url, file, type)
    : method === 'get' || method === 'delete'
      ? agent[method](url)
      : agent[method](url, body ?? {})

const everything = async (): Promise<unknown> =>
  server.source.query(
    `SELECT (SELECT count(*) FROM record WHERE act <> 'signed-in') AS record, (SELECT sum(version) FROM kit) AS kits,
       (SELECT sum(version) FROM loan) AS loans, (SELECT sum(version) FROM spare) AS spares,
       (SELECT sum(version) FROM model) AS models, (SELECT count(*) FROM sent_once) AS sent,
       (SELECT sum(version) FROM landmark) AS landmarks, (SELECT sum(version) FROM site) AS sites,
       (SELECT count(*) FROM membership) AS members, (SELECT count(*) FROM take_back_draft) AS drafts,
       (SELECT count(*) FROM picture) AS pictures, (SELECT count(*) FROM message) AS letters`,
  )

it('every address has a request to be tried with, and no request is for an address that is gone', () => {
  const named = routesOf(server)
    .filter(({ path }) => !passedOver(path))
    .map(nameOf)
    .sort()
  expect(named.length).toBeGreaterThan(100)
  expect(Object.keys(requests).sort()).toEqual(named)
})

/** An answer that runs on, beginnings and ends of one's own session, and pages: their own tests ask for them. */
const apart = [
  'get /api/live',
  'post /api/session',
  'delete /api/session',
  'delete /api/session/others',
  'put /api/session/password',
  'get /g/:token',
  'get /g/:token/pictures/:id',
  'get /l/:token',
]

const isOpen = (access: Access | undefined) => access === 'public' || access === 'signed-in'
const roleHereToo: Partial<Record<Actor, StaffRole>> = {
  'reads here too': 'read-only',
  'works here too': 'volunteer',
}
const elsewhere = (actor: Actor) => actor === 'other branch' || actor in roleHereToo
const mayByRule = (access: Access | undefined, actor: Actor): boolean => {
  if (access === 'public') return true
  if (access === undefined || actor === 'nobody') return false
  return access === 'signed-in' || access.includes(elsewhere(actor) ? 'coordinator' : (actor as StaffRole))
}
/** Whether a request asks for a thing of the library, and not for whatever is the asker's own. */
const namesThing = ({ path }: Route, { url, body = {} }: Ask) =>
  url.includes(branchId) || JSON.stringify(body).includes(branchId) || path.includes(':id') || url.includes('codes=')
/** Whoever may read a model may make one of their own after it; whoever adds a branch is shown all that are theirs. */
const readersMay = ['post /api/models/:id/copy', 'post /api/branches']
/** What a volunteer says of themselves: the request is that of the volunteer who works nowhere else. */
const ofOneself = ['put /api/branches/:id/bench-skills']
/** Whoever sends a kit is told of the branches that it can go to, by name and nothing else. */
const namesBranches = ['get /api/transfers']
/** Six noughts are the code of no half minute. */
const isWrongCode = ({ body = {} }: Ask) => (body as { code?: string }).code === '000000'
/** Whoever may come so far is asked for a password, and this is nobody's. */
const isAskedAnew = (status: number, { body = {} }: Ask) =>
  status === 422 && (body as { current?: string }).current === 'not the one'

it('whoever may is let in, whoever may not gets nothing and changes nothing', async () => {
  const routes = routesOf(server).filter((route) => !passedOver(route.path) && !apart.includes(nameOf(route)))
  // What is taken away is asked for last, the inner before the outer.
  const order = ['get', 'post', 'put', 'delete']
  const rank = ({ method, path }: Route) => order.indexOf(method) * 1000 - path.length
  const wrong: string[] = []
  const table: string[][] = []
  for (const route of [...routes].sort((a, b) => rank(a) - rank(b))) {
    const access = server.app.routeRules.find(
      ({ method, url }) => method === route.method.toUpperCase() && url.replace(':code', ':id') === route.path,
    )?.access
    const made = await requests[nameOf(route)]?.()
    if (!made) throw new Error(`no request for ${nameOf(route)}`)
    let isDone = false
    // Looked at again only after somebody was let in: whoever is refused is seen to have changed nothing.
    let before: string | null = null
    const verdicts: Verdict[] = []
    for (const actor of actors) {
      before ??= JSON.stringify(await everything())
      const { status, body } = await ask(agents[actor], route, made)
      const told = `${nameOf(route)} by ${actor}: ${status} ${JSON.stringify(body).slice(0, 200)}`
      const isRefused = [401, 403, 404].includes(status)
      const here = roleHereToo[actor]
      const mayHere =
        here !== undefined &&
        !ofOneself.includes(nameOf(route)) &&
        ((Array.isArray(access) && access.includes(here)) || readersMay.includes(nameOf(route)))
      const isTheirs = elsewhere(actor) && !isOpen(access) && !mayHere
      let after: string | null = null
      if (!mayByRule(access, actor) || (isTheirs && namesThing(route, made))) {
        if (!isRefused) wrong.push(`let in: ${told}`)
        after = JSON.stringify(await everything())
        if (after !== before) wrong.push(`changed: ${told}`)
      } else if (isTheirs) {
        const tells = JSON.stringify(body ?? '').includes(branchId) && !namesBranches.includes(nameOf(route))
        if (tells) wrong.push(`told of another branch: ${told}`)
      } else if (!isWrongCode(made) && !isAskedAnew(status, made)) {
        // Whoever comes first gets it done; whoever comes after may find it done, but is let in.
        if (isDone ? [400, 401, 403].includes(status) : status >= 300) wrong.push(`kept out: ${told}`)
        isDone = true
      }
      before = after
      verdicts.push(isRefused && !(isDone || isWrongCode(made)) ? 'no' : isTheirs ? 'own' : 'yes')
    }
    table.push([nameOf(route), ...verdicts])
  }
  expect(wrong).toEqual([])
  keepTable(table)
}, 240_000)

const securityPath = new URL('../../docs/security.md', import.meta.url)
const marks = ['<!-- rights: begin -->\n', '<!-- rights: end -->'] as const

/** docs/security.md shows what was measured; UPDATE_DOCS=1 writes it anew. */
function keepTable(measured: readonly string[][]): void {
  const rows = [...measured].sort((a, b) => ((a[0] ?? '') < (b[0] ?? '') ? -1 : 1))
  const lines = [['address', ...actors], ['---', ...actors.map(() => '---')], ...rows].map(
    (cells) => `| ${cells.map((cell, at) => (at === 0 && cell.includes('/') ? `\`${cell}\`` : cell)).join(' | ')} |`,
  )
  const text = readFileSync(securityPath, 'utf8')
  const [from, to] = [text.indexOf(marks[0]) + marks[0].length, text.indexOf(marks[1])]
  if (process.env.UPDATE_DOCS)
    return writeFileSync(securityPath, `${text.slice(0, from)}\n${lines.join('\n')}\n\n${text.slice(to)}`)
  const squeezed = (given: string) => given.replaceAll(/ +/g, ' ').replaceAll(/-{3,}/g, '---')
  expect(squeezed(text.slice(from, to)).trim()).toEqual(squeezed(lines.join('\n')))
}
