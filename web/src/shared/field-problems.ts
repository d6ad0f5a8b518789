import type { z } from 'zod'

/** What is wrong with a form, by field: the first message for each path. */
export function fieldProblems(schema: z.ZodType, value: unknown): Readonly<Record<string, string>> {
  const read = schema.safeParse(value)
  if (read.success) return {}
  const problems: Record<string, string> = {}
  for (const { path, message } of read.error.issues) problems[path.join('.')] ??= message
  return problems
}
