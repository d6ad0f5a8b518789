/** Where a library's cards are known. Which directory is behind it is configuration; nothing else in the code knows. */
export interface CardDirectory {
  /** What it says about a card, unread and untrusted; null where it knows no such card.
   * @throws when it can't be reached, or when `signal` ends the wait */
  lookUp(cardNumber: string, signal: AbortSignal): Promise<unknown>
}

const MOST_BYTES = 20_000

/**
 * A directory that answers over HTTP: GET of the address with the card's number in the place of {card}, JSON back, 404 for a
 * card that it doesn't know.
 * @param address http:// or https://, with {card} in it
 */
export const httpDirectory = (address: string): CardDirectory => ({
  async lookUp(cardNumber, signal) {
    const url = address.replaceAll('{card}', encodeURIComponent(cardNumber))
    const reply = await fetch(url, { signal, redirect: 'error', headers: { accept: 'application/json' } })
    if (reply.status === 404) return null
    if (!reply.ok) throw new Error(`the card directory answered with ${reply.status}`)
    const text = await reply.text()
    if (text.length > MOST_BYTES) throw new Error('the card directory answered with more than a card')
    return JSON.parse(text) as unknown
  },
})
