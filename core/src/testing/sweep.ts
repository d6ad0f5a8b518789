/** `quick` while somebody works, `all` before it goes on, `slow` for a night or a release. */
const length = process.env.TEST_SLOW === '1' ? 'slow' : process.env.TEST_QUICK === '1' ? 'quick' : 'all'
export const isSlow = length === 'slow'

/** How many cases are tried: fewer while somebody works where that is said, many where there is time for them. */
export const cases = (usual: number, slow: number, quick = usual): number => ({ quick, all: usual, slow })[length]

/** A test that goes over the same ground as quick ones with more cases: left out by `npm test`, run by `npm run test:all`. Each
 * test file has an `it` of its own and this module serves many of them: it is asked for where the test is written. */
export const longTest = (): jest.It => (length === 'quick' ? it.skip : it)
