/** What a kit's day was: the first of these that holds counts. */
export const dayStates = ['out', 'bench', 'waiting', 'fit'] as const
export type DayState = (typeof dayStates)[number]

/** Days from one to another, both counted, as whole numbers of a calendar's days. */
export interface StateSpan {
  readonly state: Exclude<DayState, 'fit'>
  readonly from: number
  readonly until: number
}

/**
 * How many days a kit was out, at the bench, waiting to be ready, and fit, within some days. Spans may lie over each other and
 * stick out: a day is counted once, by the first of `dayStates` that holds; days of no span are fit.
 * @throws RangeError where the days end before they begin
 */
export function daysByState(spans: readonly StateSpan[], from: number, until: number): Record<DayState, number> {
  if (until < from) throw new RangeError(`days from ${from} to ${until} end before they begin`)
  const count = { out: 0, bench: 0, waiting: 0, fit: 0 }
  // Between two edges nothing changes, so that a year takes as long as its few spans.
  const edges = new Set([from, until + 1])
  for (const span of spans)
    for (const edge of [span.from, span.until + 1]) if (edge > from && edge <= until) edges.add(edge)
  const sorted = [...edges].sort((a, b) => a - b)
  for (const [index, edge] of sorted.slice(0, -1).entries()) {
    const on = spans.filter((span) => span.from <= edge && edge <= span.until)
    const state = dayStates.find((each) => on.some((span) => span.state === each)) ?? 'fit'
    count[state] += (sorted[index + 1] ?? edge) - edge
  }
  return count
}
