import { threadId } from 'node:worker_threads'
import { answerEach } from '../platform/worker-side.ts'

/** Says which thread answers, and does what a file made to hurt might. */
answerEach((wish: 'answer' | 'refuse' | 'throw' | 'hang') => {
  if (wish === 'throw') throw new Error('wished for')
  while (wish === 'hang');
  return wish === 'refuse' ? { ok: false, code: 'BAD_INPUT' } : { ok: true, value: threadId }
})
