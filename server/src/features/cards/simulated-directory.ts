import type { CardDirectory } from '../../platform/card-directory.ts'

const people = [
  { name: 'Marit Solheim-Drake', contact: 'marit@solheim.example', language: 'en' },
  { name: 'Ximena Roldan', contact: 'ximena@roldan.example', language: 'es' },
  { name: 'Tobias Wren', contact: '555 0147', language: 'en' },
]

/** A directory that is none: cards 70001 to 70009 are known, 70008 is over, 70009 keeps everybody waiting, and 70007's answer
 * can't be read. All others it doesn't know. */
export const simulatedDirectory: CardDirectory = {
  async lookUp(cardNumber, signal) {
    const last = /^7000([1-9])$/.exec(cardNumber)?.[1]
    if (last === undefined) return null
    if (last === '9') await new Promise((_, fail) => signal.addEventListener('abort', () => fail(signal.reason)))
    if (last === '7') return { card: cardNumber, holder: null }
    return { cardNumber, ...people[Number(last) % people.length], validUntil: last === '8' ? '2020-01-31' : null }
  },
}
