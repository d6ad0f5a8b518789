import { endIdle, runBounded } from '../../platform/bounded-worker.ts'
import { listWorker, type ListWork, type ReadList } from './workers.ts'

const bounds = { timeoutMs: 20_000, memoryMb: 256 }
const work = (text: string, rest: Partial<ListWork> = {}): ListWork => ({
  contentBase64: Buffer.from(text).toString('base64'),
  columns: null,
  remembered: {},
  decisions: {},
  openCells: true,
  ...rest,
})
const list = 'Kit code;Part;How many\r\nQ-1;Tube 125/600;1\r\nQ-1;Front cap;1\r\n'

afterAll(() => endIdle())

it('reads a list in a thread of its own', async () => {
  const { list: read, columnsRemembered } = await runBounded<ReadList>(listWorker, work(list), bounds)
  expect(read.kits).toMatchObject([{ code: 'Q-1', parts: [{ name: 'Tube 125/600' }, { name: 'Front cap' }] }])
  expect(columnsRemembered).toBe(false)
})

it('columns of an earlier list with the same headings are taken, those moved now before them', async () => {
  const headings = 'kit code | part | how many'
  const columns = { kitCode: 0, part: 1, count: null } as unknown as NonNullable<ListWork['columns']>
  const remembered = await runBounded<ReadList>(
    listWorker,
    work(list, { remembered: { [headings]: columns } }),
    bounds,
  )
  expect([remembered.columnsRemembered, remembered.list.columns.count]).toEqual([true, null])
  const moved = { ...columns, count: 2 } as NonNullable<ListWork['columns']>
  const own = await runBounded<ReadList>(
    listWorker,
    work(list, { remembered: { [headings]: columns }, columns: moved }),
    bounds,
  )
  expect([own.columnsRemembered, own.list.columns.count]).toEqual([false, 2])
})

it('a refusal comes back with its code and what is wrong', async () => {
  await expect(runBounded(listWorker, work('\u0000\u0001PNG'), bounds)).rejects.toMatchObject({ code: 'NOT_A_LIST' })
})

it('what takes too long is ended, and the server goes on', async () => {
  const rows = Array.from({ length: 40_000 }, (_, index) => `Q-1;unknown thing number ${index} of many;1`)
  const heavy = work(`Kit code;Part;How many\r\n${rows.join('\r\n')}`)
  // A plain timer of the same length, started with it, rings late on a busy machine too.
  const [timeoutMs, began] = [1500, performance.now()]
  const timer = new Promise<number>((rings) => setTimeout(() => rings(performance.now() - began), timeoutMs))
  await expect(runBounded(listWorker, heavy, { timeoutMs, memoryMb: 256 })).rejects.toMatchObject({
    code: 'TOO_LONG',
  })
  expect((performance.now() - began) / (await timer)).toBeLessThan(2 * 2)
  expect((await runBounded<ReadList>(listWorker, work(list), bounds)).list.kits).toHaveLength(1)
})

it('what takes too much memory is ended too', async () => {
  const rows = Array.from({ length: 90_000 }, (_, index) => `Q-1;${'x'.repeat(60)}${index};1`)
  const heavy = work(`Kit code;Part;How many\r\n${rows.join('\r\n')}`)
  await expect(runBounded(listWorker, heavy, { timeoutMs: 30_000, memoryMb: 8 })).rejects.toMatchObject({
    code: 'TOO_LONG',
  })
})
