/** A scale that writes plain text, line by line. Nothing else in the code knows which one is behind it. */
export interface ScaleDriver {
  /** Begins to read. @returns stops it; @throws when there is no scale or it was not allowed */
  open(onLine: (line: string) => void, onEnd: (why: string) => void): Promise<() => void>
}
