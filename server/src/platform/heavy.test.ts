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
