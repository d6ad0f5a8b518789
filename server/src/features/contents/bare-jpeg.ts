/** Markers that a JPEG needs to be seen [ITU-T T.81, table B.1]: tables, frame, scan, restarts. */
const NEEDED = new Set([0xc0, 0xc1, 0xc2, 0xc4, 0xda, 0xdb, 0xdd])
const JFIF = 0xe0
/** JFIF without a thumbnail is this long. */
const JFIF_LENGTH = 16
const SCAN = 0xda
const END = 0xd9

/** Whether a JPEG holds its picture and nothing beside it: no comment, no place, no camera, no bytes after its end. */
export function isBareJpeg(bytes: Uint8Array): boolean {
  if (bytes[0] !== 0xff || bytes[1] !== 0xd8) return false
  let at = 2
  for (;;) {
    if (bytes[at] !== 0xff) return false
    const marker = bytes[at + 1]
    if (marker === undefined) return false
    if (marker === END) return at + 2 === bytes.length
    const length = ((bytes[at + 2] ?? 0) << 8) | (bytes[at + 3] ?? 0)
    if (!NEEDED.has(marker) && !(marker === JFIF && length === JFIF_LENGTH)) return false
    at += 2 + length
    if (marker !== SCAN) continue
    // What was scanned goes on to the next marker that is neither a stuffed byte nor a restart.
    while (at + 1 < bytes.length) {
      const next = bytes[at + 1] ?? 0
      if (bytes[at] === 0xff && next !== 0 && !(next >= 0xd0 && next <= 0xd7)) break
      at++
    }
  }
}
