/** Drawings are made one after the other when the phone has nothing else to do, so that the page answers meanwhile. */

const waiting: (() => void)[] = []
let asked = false

/** A phone that is never idle still has the drawings of a dozen steps in a few seconds. */
const LONGEST_WAIT_MS = 500

const whenIdle = (work: () => void): void => {
  if ('requestIdleCallback' in window) requestIdleCallback(work, { timeout: LONGEST_WAIT_MS })
  else setTimeout(work, 40)
}

function next(): void {
  asked = false
  waiting.shift()?.()
  ask()
}

function ask(): void {
  if (asked || waiting.length === 0) return
  asked = true
  whenIdle(next)
}

/** @returns takes it out of the line again */
export function drawInTurn(draw: () => void): () => void {
  waiting.push(draw)
  ask()
  return () => {
    const place = waiting.indexOf(draw)
    if (place >= 0) waiting.splice(place, 1)
  }
}
