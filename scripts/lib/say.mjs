/** What the commands tell whoever runs them. Everything goes to stderr, so that stdout stays for results. */
export const say = (text) => process.stderr.write(`${text}\n`)

/** A problem that the person at the keyboard can solve; printed without a stack, ends with its own exit code. */
export class Explained extends Error {
  constructor(message, exitCode = 1) {
    super(message)
    this.exitCode = exitCode
  }
}

/** Runs a command's main function; explained problems are printed plainly, others with their stack. */
export async function runMain(main) {
  try {
    process.exitCode = (await main()) ?? 0
  } catch (error) {
    say(error instanceof Explained ? `\n${error.message}\n` : String(error?.stack ?? error))
    process.exitCode = error instanceof Explained ? error.exitCode : 1
  }
}
