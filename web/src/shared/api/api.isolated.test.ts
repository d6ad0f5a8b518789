import { jest } from '@jest/globals'
import { effectScope, nextTick, ref } from 'vue'
import { z } from 'zod'
import { api, ApiError, onSessionOver } from './client.ts'
import { useLoaded } from './use-loaded.ts'
import { useSending } from './use-sending.ts'

type Answer = { status: number; body?: unknown } | 'no connection' | 'not JSON'
let answers: Answer[] = []
let sent: { method: string; path: string; body: unknown }[] = []

beforeEach(() => {
  answers = []
  sent = []
  globalThis.fetch = (async (path: string, options: RequestInit) => {
    sent.push({ method: String(options.method), path, body: options.body ? JSON.parse(String(options.body)) : null })
    const answer = answers.shift() ?? { status: 200, body: {} }
    if (answer === 'no connection') throw new TypeError('failed to fetch')
    if (answer === 'not JSON') return new Response('<html>', { status: 502 })
    return new Response(answer.status === 204 ? null : JSON.stringify(answer.body ?? {}), { status: answer.status })
  }) as typeof fetch
})
const refusal = (status: number, code: string, rest: object = {}): Answer => ({
  status,
  body: { error: { code, message: `${code}.`, ...rest } },
})
const failure = async (work: Promise<unknown>): Promise<ApiError> => {
  const error: unknown = await work.then(
    () => null,
    (thrown: unknown) => thrown,
  )
  if (error instanceof ApiError) return error
  throw new Error('no refusal came')
}

const anything = z.unknown()

describe('the client', () => {
  it('an answer that is not what was agreed is a problem, not half a screen', async () => {
    answers = [{ status: 200, body: { kits: 'many' } }]
    const error = await failure(api.get(z.object({ kits: z.array(z.string()) }), '/api/x'))
    expect([error.status, error.code]).toEqual([502, 'OUR_FAULT'])
    expect(error.message).toContain('may have been done')
  })

  it('gives what the server says no with, field by field', async () => {
    answers = [refusal(400, 'BAD_INPUT', { issues: [{ path: 'dueOn', message: 'is no day' }] })]
    const error = await failure(api.act('/api/x', {}))
    expect([error.status, error.code, error.sentences]).toEqual([
      400,
      'BAD_INPUT',
      ['BAD_INPUT.', 'dueOn: is no day'],
    ])
  })

  it('asks again by itself where too much is asked at once, and says so in the end', async () => {
    jest.useFakeTimers()
    try {
      answers = [refusal(429, 'BUSY'), refusal(429, 'BUSY'), { status: 200, body: { here: true } }]
      const asked = api.get(anything, '/api/borrowers')
      await jest.advanceTimersByTimeAsync(7000)
      expect(await asked).toEqual({ here: true })
      expect(sent).toHaveLength(3)

      answers = Array.from({ length: 9 }, () => refusal(429, 'BUSY'))
      const never = failure(api.get(anything, '/api/borrowers'))
      await jest.advanceTimersByTimeAsync(30_000)
      expect((await never).code).toBe('BUSY')
      expect(sent).toHaveLength(3 + 6)
    } finally {
      jest.useRealTimers()
    }
  })

  it('what changes something, and too many tries, are not sent again by themselves', async () => {
    answers = [refusal(429, 'BUSY'), refusal(429, 'TOO_MANY')]
    expect((await failure(api.act('/api/x', {}))).code).toBe('BUSY')
    expect((await failure(api.get(anything, '/api/x'))).code).toBe('TOO_MANY')
    expect(sent).toHaveLength(2)
  })

  it('says so when there is no connection, and when an answer can’t be read', async () => {
    answers = ['no connection', 'not JSON']
    expect((await failure(api.get(anything, '/api/x'))).code).toBe('NO_CONNECTION')
    expect((await failure(api.get(anything, '/api/x'))).status).toBe(502)
  })

  it('asks for the password when a session is over, and then sends the same again', async () => {
    let asked = 0
    onSessionOver(async () => {
      asked++
    })
    answers = [refusal(401, 'SIGN_IN'), { status: 200, body: { done: true } }]
    expect(await api.post(anything, '/api/x', { typed: 'kept' })).toEqual({ done: true })
    expect(asked).toBe(1)
    expect(sent.map(({ body }) => body)).toEqual([{ typed: 'kept' }, { typed: 'kept' }])
  })

  it('a wrong password is no session that is over', async () => {
    answers = [refusal(401, 'WRONG_PASSWORD')]
    expect((await failure(api.act('/api/session', {}))).code).toBe('WRONG_PASSWORD')
    expect(sent).toHaveLength(1)
  })
})

describe('sending', () => {
  const keysOf = async (...given: Answer[]) => {
    answers = [...given]
    const { run, problem } = useSending()
    const keys: string[] = []
    for (const _answer of given)
      await run(async (key) => {
        keys.push(key)
        await api.act('/api/x', { key })
      })
    return { keys, problem: problem.value?.code }
  }

  it('keeps its key after a lost answer, so that a retry does nothing twice', async () => {
    const { keys } = await keysOf('no connection', { status: 500, body: {} }, { status: 200 })
    expect(new Set(keys).size).toBe(1)
  })

  it('takes a new key after success and after a refusal', async () => {
    const { keys, problem } = await keysOf({ status: 200 }, refusal(422, 'NOT_FIT'), { status: 200 })
    expect(new Set(keys).size).toBe(3)
    expect(problem).toBeUndefined()
  })

  it('a second click while the first is under way sends nothing', async () => {
    const { run } = useSending()
    const work = () => api.act('/api/x', {}).then(() => undefined)
    const both = await Promise.all([run(work), run(work)])
    expect(both).toEqual([true, false])
    expect(sent).toHaveLength(1)
  })
})

describe('loading', () => {
  it('a late answer never overwrites a newer one', async () => {
    const gates: (() => void)[] = []
    globalThis.fetch = (async (path: string) => {
      await new Promise<void>((open) => gates.push(open))
      return new Response(JSON.stringify({ path }))
    }) as typeof fetch
    const path = ref('/first')
    const scope = effectScope()
    const loaded = scope.run(() => useLoaded(z.object({ path: z.string() }), path))
    path.value = '/second'
    await nextTick()
    gates[1]?.()
    await new Promise((resolve) => setTimeout(resolve, 10))
    gates[0]?.()
    await new Promise((resolve) => setTimeout(resolve, 10))
    scope.stop()
    expect(loaded?.data.value).toEqual({ path: '/second' })
  })

  it('while the records are away it tries again by itself, and then shows what there is', async () => {
    jest.useFakeTimers({ doNotFake: ['queueMicrotask'] })
    answers = [refusal(503, 'DATABASE_AWAY'), { status: 200, body: { kits: [] } }]
    const scope = effectScope()
    const loaded = scope.run(() => useLoaded(anything, '/api/kits'))
    await jest.advanceTimersByTimeAsync(100)
    expect([loaded?.problem.value?.code, loaded?.data.value]).toEqual(['DATABASE_AWAY', null])
    await jest.advanceTimersByTimeAsync(5000)
    expect([loaded?.problem.value, loaded?.data.value]).toEqual([null, { kits: [] }])
    scope.stop()
    jest.useRealTimers()
  })

  it('keeps the problem until it is read again', async () => {
    answers = ['no connection', { status: 200, body: { kits: [] } }]
    const scope = effectScope()
    const loaded = scope.run(() => useLoaded(anything, '/api/kits'))
    await new Promise((resolve) => setTimeout(resolve, 10))
    expect([loaded?.problem.value?.code, loaded?.data.value]).toEqual(['NO_CONNECTION', null])
    await loaded?.reload()
    scope.stop()
    expect([loaded?.problem.value, loaded?.data.value]).toEqual([null, { kits: [] }])
  })
})
