declare const process: { env: Readonly<Record<string, string | undefined>> }

/** Whether the long sweeps were asked for: `npm run test:slow`. */
export const isSlow = process.env.TEST_SLOW === '1'

/** How many cases a sweep tries: few each time, many where there is time for them. */
export const cases = (usual: number, slow: number): number => (isSlow ? slow : usual)
