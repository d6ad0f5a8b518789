import type { Outcome } from '@binoculum/core'

/** The key that sends a kit there. */
export const outcomeKeys: Readonly<Record<Outcome, string>> = {
  shelf: '1',
  'shelf-with-note': '2',
  'to-go-through': '1',
  bench: '3',
  hold: '4',
}
