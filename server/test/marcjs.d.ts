/** A reader of catalogue records that knows nothing of ours; it comes without types. */
declare module 'marcjs' {
  import type { Duplex } from 'node:stream'
  export const Marc: { createStream(format: 'marcxml', what: 'parser'): Duplex }
}
