/** Signs with which a spreadsheet begins to calculate. [OWASP, CSV injection, from memory] */
const STARTS_A_FORMULA = /^[=+\-@\t\r]/
const GUARD = "'"

/** A cell that no spreadsheet runs as a formula: dangerous ones get an apostrophe in front. Plain numbers stay. */
export const spreadsheetSafe = (cell: string): string =>
  STARTS_A_FORMULA.test(cell) && !/^[+-]?\d+([.,]\d+)?$/.test(cell) ? GUARD + cell : cell

/** The cell as it was before it was guarded, so that our own exports come in again without loss. */
export const unguarded = (cell: string): string =>
  cell.startsWith(GUARD) && STARTS_A_FORMULA.test(cell.slice(1)) ? cell.slice(1) : cell
