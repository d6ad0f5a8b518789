/** The commands' own helpers are plain JavaScript, so that they run before anything is installed. */
declare module '*/scripts/lib/processes.mjs' {
  export function freePort(): Promise<number>
  export function stopProcess(pid: number, signal: NodeJS.Signals): Promise<void>
}
declare module '*/scripts/lib/server.mjs' {
  import type { ChildProcess } from 'node:child_process'
  export function startServer(given: { env: Record<string, string>; args?: string[] }): Promise<ChildProcess>
}
declare module '*/scripts/lib/setup.mjs' {
  export function ensurePostgres(): Promise<string>
}
declare module '*/scripts/lib/postgres.mjs' {
  export function startCluster(given: {
    binFolder: string
    folder: string
    standbyOf?: string
    port?: number
    throwAway?: boolean
  }): Promise<{ port: number; pid: number; stop: () => Promise<void> }>
}
