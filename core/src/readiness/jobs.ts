import type { Condition } from './condition.ts'

interface JobFacts {
  readonly words: string
  /** What an open job of this kind makes of the kit; null where the part's own mark already says it. */
  readonly condition: Condition | null
  /** Only the job itself helps: nobody lends the kit all the same. */
  readonly never?: true
  /** A check at the bench closes it; others are settled where they are followed up. */
  readonly bench?: true
  /** Closed by the state it asks for, never by hand. */
  readonly closesItself?: true
}

const define = <const T extends Record<string, JobFacts>>(table: T) => table

/** Kinds of things to be done for a kit. */
export const jobs = define({
  'bench-wanted': { words: 'a check is wanted', condition: 'crescent', bench: true },
  'knock-check': { words: 'it was knocked', condition: 'crescent', bench: true },
  'reported-trouble': { words: 'the borrower had trouble', condition: 'crescent', bench: true },
  // The hazard *wet*, which opens it, already keeps the kit in.
  drying: { words: 'drying in the open', condition: null },
  // Came back and nobody looked through all of it: every mark made afterwards counts it down.
  'go-through': { words: 'to be gone through', condition: null, closesItself: true },
  'held-by-staff': { words: 'held by staff', condition: 'new', bench: true },
  'look-for-part': { words: 'look for it', condition: null },
  'ask-borrower': { words: 'ask the borrower', condition: null },
  'replace-from-drawer': { words: 'put in a spare', condition: null },
  'order-part': { words: 'order it', condition: null },
  'mend-part': { words: 'mend it', condition: null },
  'fleet-notice': { words: 'notice for every kit of this model', condition: 'half' },
  'fleet-stop': { words: 'stopped until looked at', condition: 'new' },
  'battery-round': { words: 'change its cells', condition: null },
  'kit-lost': { words: 'reported lost', condition: 'new', never: true },
  'kit-stolen': { words: 'reported stolen', condition: 'new', never: true },
  retired: { words: 'retired', condition: 'new', never: true },
})

export type JobCode = keyof typeof jobs
export const jobCodes = Object.keys(jobs) as [JobCode, ...JobCode[]]
/** Facts of a kind of job; the wider type spares callers from narrowing. */
export const jobFacts = (code: JobCode): JobFacts => jobs[code]

export const isBenchJob = (code: JobCode): boolean => jobFacts(code).bench ?? false
export const benchJobCodes: readonly JobCode[] = jobCodes.filter(isBenchJob)
