import { z } from 'zod'

const environment = z.object({
  DATABASE_URL: z.string().regex(/^postgres(ql)?:\/\//, 'must be a postgres:// address'),
  /** Who owns the tables, and changes them when a new version needs it; DATABASE_URL then may own nothing. */
  DATABASE_OWNER_URL: z
    .string()
    .regex(/^postgres(ql)?:\/\//, 'must be a postgres:// address')
    .optional(),
  /** A streaming copy of the database that is only read: the Shelf and borrowers' guides come from it. */
  DATABASE_REPLICA_URL: z
    .string()
    .regex(/^postgres(ql)?:\/\//, 'must be a postgres:// address')
    .optional(),
  HOST: z.string().default('127.0.0.1'),
  PORT: z.coerce.number().int().min(0).max(65_535).default(8460),
  /** How others reach this server; https turns secure cookies on. */
  PUBLIC_URL: z.url().optional(),
  /** A mail server that takes letters; without it they stay in the outbox. */
  SMTP_URL: z
    .string()
    .regex(/^smtps?:\/\//, 'must be an smtp:// or smtps:// address')
    .optional(),
  MAIL_FROM: z
    .string()
    .regex(/^[^\r\n]*@[^\r\n]+$/, 'must be a mail address')
    .default('lending@binoculum.invalid'),
  /** Where library cards are looked up: an address with {card} in it, `simulated`, or `none`. */
  CARD_DIRECTORY: z
    .string()
    .regex(/^(none|simulated|https?:\/\/.*\{card\}.*)$/, 'must be none, simulated, or an address with {card} in it')
    .optional(),
  /** Of one address; a large library whose desks share one may raise it. */
  REQUESTS_A_MINUTE: z.coerce.number().int().min(60).default(1200),
  /** Lets whoever has it read /metrics from another machine. */
  METRICS_TOKEN: z.string().min(20, 'must have 20 characters or more').optional(),
  /** Folder for what start-up keeps: the demo sign-ins. */
  BINOCULUM_DATA: z.string().default('.data'),
})

export interface Config {
  readonly databaseUrl: string
  readonly ownerUrl: string
  readonly replicaUrl: string | null
  readonly host: string
  readonly port: number
  readonly publicUrl: string | null
  readonly dataFolder: string
  readonly smtpUrl: string | null
  readonly mailFrom: string
  readonly cardDirectory: string
  readonly metricsToken: string | null
  readonly requestsAMinute: number
  readonly mode: 'demo' | 'empty' | 'real'
}

const loopbackHosts = ['127.0.0.1', '::1', 'localhost']

/** Reads the environment and the command line. Bad configuration stops the start. */
export function readConfig(env: NodeJS.ProcessEnv, args: readonly string[]): Config {
  const parsed = environment.safeParse(env)
  if (!parsed.success) {
    const problems = parsed.error.issues.map((issue) => `${issue.path.join('.')}: ${issue.message}`)
    throw new Error(`The settings can’t be used.\n  ${problems.join('\n  ')}`)
  }
  const {
    DATABASE_URL,
    DATABASE_OWNER_URL,
    DATABASE_REPLICA_URL,
    HOST,
    PORT,
    PUBLIC_URL,
    BINOCULUM_DATA,
    SMTP_URL,
    MAIL_FROM,
    METRICS_TOKEN,
    REQUESTS_A_MINUTE,
    CARD_DIRECTORY,
  } = parsed.data
  const mode = args.includes('--demo') ? 'demo' : args.includes('--empty') ? 'empty' : 'real'
  if (mode === 'demo' && !loopbackHosts.includes(HOST))
    throw new Error(`Demo mode serves this machine only; HOST=${HOST} is refused.`)
  return {
    databaseUrl: DATABASE_URL,
    ownerUrl: DATABASE_OWNER_URL ?? DATABASE_URL,
    replicaUrl: DATABASE_REPLICA_URL ?? null,
    host: HOST,
    port: PORT,
    publicUrl: PUBLIC_URL ?? null,
    dataFolder: BINOCULUM_DATA,
    smtpUrl: SMTP_URL ?? null,
    mailFrom: MAIL_FROM,
    // Invented people belong into the demo only.
    cardDirectory: CARD_DIRECTORY ?? (mode === 'demo' ? 'simulated' : 'none'),
    metricsToken: METRICS_TOKEN ?? null,
    requestsAMinute: REQUESTS_A_MINUTE,
    mode,
  }
}
