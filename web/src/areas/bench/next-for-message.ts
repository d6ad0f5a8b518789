import type { ReceivedMessages } from '@binoculum/contract'

type Message = ReceivedMessages['messages'][number]

/** What whoever reads a borrower's message does next. */
export function nextForMessage({ kind, look, missing, pictureId, walked, words }: Message): string {
  if (look) return nextForLook(look)
  if (kind === 'contents')
    return missing.length === 0
      ? 'Nothing to do.'
      : 'Look for it here first; then tell them, so that it isn’t asked for at the return.'
  if (walked.length === 0 && words === '' && pictureId !== null) return 'Look at the picture and ring them.'
  return 'Ring them if a word helps. Its check is a job for when it is back.'
}

/** They read at once what it means for them; this is what remains for the house. */
function nextForLook({ look, meaning }: NonNullable<Message['look']>): string {
  if (look === 'case')
    return meaning === 'off'
      ? 'They were told where to look. Look there first when it is back.'
      : 'Nothing to do: a picture says where to look, and they look themselves.'
  if (meaning === 'good' || meaning === 'usable') return 'Nothing to do: they read that it is fine for tonight.'
  if (meaning === 'unsure') return 'They may send another. Measured it is at the bench, when it is back.'
  return 'Its check is a job for when it is back; the figure and the picture wait at its station.'
}
