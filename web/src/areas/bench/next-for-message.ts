import type { ReceivedMessages } from '@binoculum/contract'

type Message = ReceivedMessages['messages'][number]

/** What whoever reads a borrower's message does next. */
export function nextForMessage({ kind, missing, pictureId, walked, words }: Message): string {
  if (kind === 'contents')
    return missing.length === 0
      ? 'Nothing to do.'
      : 'Look for it here first; then tell them, so that it isn’t asked for at the return.'
  if (walked.length === 0 && words === '' && pictureId !== null) return 'Look at the picture and ring them.'
  if (walked.some((step) => step.startsWith('photo through the peephole')))
    return 'Judge by the picture whether it must come back. Measured it is at the bench, when it is here.'
  return 'Ring them if a word helps. Its check is a job for when it is back.'
}
