import { errorReplySchema, type ErrorReply } from '@binoculum/contract'
import { sharedWords } from '../words.ts'

const t = sharedWords('client')

/** An answer of the server that says no, with what it says about it. */
export class ApiError extends Error {
  constructor(
    readonly status: number,
    readonly reply: ErrorReply['error'],
  ) {
    super(reply.message)
  }
  get code(): string {
    return this.reply.code
  }
  /** The message, and the named fields under it. */
  get sentences(): string[] {
    const issues = this.reply.issues ?? []
    return [this.message, ...issues.map(({ path, message }) => (path ? `${path}: ${message}` : message))]
  }
}

type SignInAgain = () => Promise<void>
let signInAgain: SignInAgain | null = null

/** Set by the session store: asks for the password where the user stands, so that no form is lost. */
export function onSessionOver(handler: SignInAgain): void {
  signInAgain = handler
}

/** JSON, or a file as it is. */
const asBody = (body: unknown) =>
  body instanceof Blob
    ? { headers: { 'content-type': body.type || 'image/jpeg' }, body }
    : { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }

async function send(method: string, path: string, body: unknown): Promise<Response> {
  try {
    return await fetch(path, {
      method,
      credentials: 'same-origin',
      ...(body === undefined ? {} : asBody(body)),
    })
  } catch {
    const message = t('noConnectionToTheLibrarys')
    throw new ApiError(0, { code: 'NO_CONNECTION', message })
  }
}

async function readError(response: Response): Promise<ApiError> {
  const unreadable = { code: 'OUR_FAULT', message: t('theServersAnswerCouldNot') }
  try {
    const read = errorReplySchema.safeParse(await response.json())
    return new ApiError(response.status, read.success ? read.data.error : unreadable)
  } catch {
    return new ApiError(response.status, unreadable)
  }
}

/** So often what was only asked is asked again, before it is said that too much is asked at once. */
const BUSY_TRIES = 6
const BUSY_WAIT_S = 2

/** A server with too much to do at once refuses before it has begun: what only reads waits its turn by itself, each a little
 * differently, so that those who were refused together don't come back together. */
async function sendInTurn(method: string, path: string, body: unknown): Promise<Response> {
  for (let tries = 1; ; tries++) {
    const response = await send(method, path, body)
    if (response.status !== 429 || method !== 'GET' || tries === BUSY_TRIES) return response
    const error = await readError(response.clone())
    if (error.code !== 'BUSY') return response
    const waitS = Number(response.headers.get('retry-after') ?? BUSY_WAIT_S)
    await new Promise((done) => setTimeout(done, waitS * 1000 * (0.5 + Math.random())))
  }
}

async function answer(method: string, path: string, body?: unknown): Promise<Response> {
  let response = await sendInTurn(method, path, body)
  if (response.status === 401) {
    const error = await readError(response)
    if (error.code !== 'SIGN_IN' || !signInAgain) throw error
    await signInAgain()
    response = await send(method, path, body)
  }
  if (!response.ok) throw await readError(response)
  return response
}

/** What an answer must be to be used: a schema of the contract. */
export interface Reads<T> {
  safeParse(given: unknown): { success: true; data: T } | { success: false; error: { message: string } }
}

/** What the server says is checked where it comes in, so that no screen shows half of it. */
function checked<T>(reads: Reads<T>, given: unknown): T {
  const read = reads.safeParse(given)
  if (read.success) return read.data
  console.error(read.error.message)
  const message = t('theServerAnsweredSomethingThis')
  throw new ApiError(502, { code: 'OUR_FAULT', message })
}

async function call<T>(reads: Reads<T>, method: string, path: string, body?: unknown): Promise<T> {
  const response = await answer(method, path, body)
  return checked(reads, await response.json().catch(() => undefined))
}

/** Long work that tells how far it is: one JSON object a line, each as soon as it comes. */
async function* lines<T>(reads: Reads<T>, path: string, body: unknown): AsyncGenerator<T> {
  const response = await answer('POST', path, body)
  const reader = response.body
    ?.pipeThrough(new TextDecoderStream() as TransformStream<Uint8Array, string>)
    .getReader()
  let rest = ''
  for (;;) {
    const { value, done } = (await reader?.read().catch(() => lostLine())) ?? { value: undefined, done: true }
    if (done) break
    const complete = (rest + value).split('\n')
    rest = complete.pop() ?? ''
    for (const line of complete) if (line !== '') yield checked(reads, JSON.parse(line))
  }
  if (rest !== '') yield checked(reads, JSON.parse(rest))
}

function lostLine(): never {
  const message = t('theConnectionBrokeOffWhat')
  throw new ApiError(0, { code: 'NO_CONNECTION', message })
}

export const api = {
  get: <T>(reads: Reads<T>, path: string) => call(reads, 'GET', path),
  post: <T>(reads: Reads<T>, path: string, body?: unknown) => call(reads, 'POST', path, body ?? {}),
  upload: <T>(reads: Reads<T>, path: string, file: Blob) => call(reads, 'POST', path, file),
  lines,
  put: <T>(reads: Reads<T>, path: string, body: unknown) => call(reads, 'PUT', path, body),
  delete: <T>(reads: Reads<T>, path: string) => call(reads, 'DELETE', path),
  /** Where it is enough that it was done. */
  act: async (path: string, body?: unknown): Promise<void> => void (await answer('POST', path, body ?? {})),
  remove: async (path: string): Promise<void> => void (await answer('DELETE', path)),
}
