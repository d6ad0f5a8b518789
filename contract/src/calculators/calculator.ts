import type { z } from 'zod'

/** One calculation as everybody outside sees it: forms, HTTP, command line and docs/calculators.md come from here. */
export interface Calculator<Name extends string = string, Input = never, Output = unknown> {
  readonly name: Name
  readonly summary: string
  readonly sources: readonly string[]
  readonly input: z.ZodType<Input, unknown>
  readonly output: z.ZodType<Output>
  readonly run: (input: NoInfer<Input>) => NoInfer<Output>
  /** May take seconds: the server runs it in a worker with a time limit. */
  readonly heavy?: true
  /** Fields that hold a picture: base64 over HTTP, `path` besides on the command line; decoded before the schema sees them.
   * `a.b` lies inside `a`, and may hold a list. */
  readonly pictures?: readonly string[]
  /** Marks of the open case are read from each picture, where they aren't given beside it. */
  readonly caseMarks?: true
}

/** Writes one down with the types of its own name, input and output. */
export const calculator = <const Name extends string, Input, Output>(
  entry: Calculator<Name, Input, Output>,
): Calculator<Name, Input, Output> => entry
