import { PassThrough } from 'node:stream'
import fastify from 'fastify'
import { heavyRoutes } from './heavy.ts'

it('heavy requests wait for each other, light ones for nobody, and too many are sent away', async () => {
  const app = fastify()
  let running = 0
  let most = 0
  const open: (() => void)[] = []
  await app.register(heavyRoutes, { atOnce: 2, mostWaiting: 3 })
  app.get('/heavy', { config: { heavy: true, access: 'public' } }, async () => {
    most = Math.max(most, ++running)
    await new Promise<void>((done) => open.push(done))
    running--
    return 'done'
  })
  app.get('/light', { config: { access: 'public' } }, async () => 'here')
  const heavy = Array.from({ length: 7 }, () => app.inject('/heavy'))
  const light = await app.inject('/light')
  expect(light.statusCode).toBe(200)
  const settle = async () => {
    while (open.length > 0 || running > 0) {
      open.splice(0).forEach((done) => done())
      await new Promise((done) => setTimeout(done, 5))
    }
  }
  await new Promise((done) => setTimeout(done, 20))
  await settle()
  const answered = (await Promise.all(heavy)).map(({ statusCode }) => statusCode)
  expect(most).toBe(2)
  expect(answered.filter((status) => status === 200)).toHaveLength(5)
  expect(answered.filter((status) => status !== 200)).toHaveLength(2)
  // Whoever left makes room again.
  const again = app.inject('/heavy')
  await new Promise((done) => setTimeout(done, 20))
  await settle()
  expect((await again).statusCode).toBe(200)
  await app.close()
})

it('whoever goes away while waiting or being served leaves no place taken', async () => {
  const app = fastify()
  const open: (() => void)[] = []
  await app.register(heavyRoutes, { atOnce: 1, mostWaiting: 9 })
  app.get('/heavy', { config: { heavy: true, access: 'public' } }, async () => {
    await new Promise<void>((done) => open.push(done))
    return 'done'
  })
  const base = await app.listen({ host: '127.0.0.1', port: 0 })
  const impatient = Array.from({ length: 3 }, () => {
    const gone = new AbortController()
    const asked = fetch(`${base}/heavy`, { signal: gone.signal }).catch(() => null)
    return { gone, asked }
  })
  const pause = () => new Promise((done) => setTimeout(done, 30))
  await pause()
  for (const { gone } of impatient) gone.abort()
  await Promise.all(impatient.map(({ asked }) => asked))
  const patient = fetch(`${base}/heavy`).then(({ status }) => status)
  for (let turn = 0; turn < 8; turn++) {
    await pause()
    open.splice(0).forEach((done) => done())
  }
  const status = await Promise.race([patient, pause().then(() => 'still waiting')])
  open.splice(0).forEach((done) => done())
  await app.close()
  expect(status).toBe(200)
}, 10_000)

it('what streams out keeps its place until it has left', async () => {
  const app = fastify()
  const streams: PassThrough[] = []
  await app.register(heavyRoutes, { atOnce: 1, mostWaiting: 9 })
  app.get('/stream', { config: { heavy: true, access: 'public' } }, async (_request, reply) => {
    const stream = new PassThrough()
    streams.push(stream)
    return reply.send(stream)
  })
  const asked = [app.inject('/stream'), app.inject('/stream')]
  const pause = () => new Promise((done) => setTimeout(done, 30))
  await pause()
  streams[0]?.write('a part of it')
  await pause()
  expect(streams).toHaveLength(1)
  streams[0]?.end()
  await pause()
  expect(streams).toHaveLength(2)
  streams[1]?.end()
  expect((await Promise.all(asked)).map(({ statusCode }) => statusCode)).toEqual([200, 200])
  await app.close()
})
