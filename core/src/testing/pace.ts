declare const performance: { now(): number }

/** A plain sum of about 10 ms: others at work on this machine slow it down as much as what is timed beside it. */
function plainSum(): number {
  let sum = 0
  for (let step = 0; step < 10_000_000; step++) sum += step % 7
  return sum
}

/**
 * How many times as long as a plain sum some work takes: the least of several tries, each beside a sum of its own. A clock
 * says how fast and how busy a machine is; this ratio says what the program does.
 */
export function timesAPlainSum(work: () => unknown, tries = 5): number {
  const timeOf = (what: () => unknown) => {
    const fromMs = performance.now()
    what()
    return performance.now() - fromMs
  }
  plainSum()
  return Math.min(...Array.from({ length: tries }, () => timeOf(work) / timeOf(plainSum)))
}
