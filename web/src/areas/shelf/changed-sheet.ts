import type { KitChange, KitSheet } from '@binoculum/contract'

/** A sheet after marks: all that the server didn't say stands as it was. */
export function changedSheet(sheet: KitSheet, { head, parts, line }: KitChange): KitSheet {
  const marked = new Map(parts.map((part) => [part.id, part]))
  return {
    ...sheet,
    ...head,
    parts: sheet.parts.map((part) => marked.get(part.id) ?? part),
    history: [line, ...sheet.history],
  }
}
