import { archiveSchema } from '@binoculum/contract'
import type { WorkerAnswer } from '../../platform/bounded-worker.ts'
import { answerEach } from '../../platform/worker-side.ts'
import { DEEPEST, depthOf, unstorableIn } from '../../platform/json-rules.ts'

const MOST_TOLD = 10

/** An archive's bytes as what it says, or where it is none. */
function read(bytes: Uint8Array): WorkerAnswer {
  const text = new TextDecoder().decode(bytes)
  if (depthOf(text) > DEEPEST) return { ok: false, code: 'NOT_AN_ARCHIVE' }
  let sent: unknown
  try {
    sent = JSON.parse(text)
  } catch {
    return { ok: false, code: 'NOT_JSON' }
  }
  const path = unstorableIn(sent)
  if (path !== null)
    return { ok: false, code: 'NOT_AN_ARCHIVE', issues: [{ path, message: 'holds a sign that can’t be kept' }] }
  const archive = archiveSchema.safeParse(sent)
  if (archive.success) return { ok: true, value: archive.data }
  const issues = archive.error.issues.slice(0, MOST_TOLD)
  return {
    ok: false,
    code: 'NOT_AN_ARCHIVE',
    issues: issues.map((issue) => ({ path: issue.path.join('.'), message: issue.message })),
  }
}

answerEach(read)
