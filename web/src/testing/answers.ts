/** A server for mounted components: its answers by address, a promise for one that is on its way, and what was sent to it. */
export function serverWith(answers: Readonly<Record<string, unknown>>) {
  const sent: { method: string; path: string; body: unknown }[] = []
  globalThis.fetch = (async (path: string, init: RequestInit = {}) => {
    const { method = 'GET', body } = init
    sent.push({ method, path, body: typeof body === 'string' ? (JSON.parse(body) as unknown) : body })
    const answer = answers[`${method} ${path}`] ?? answers[path]
    const ok = answer !== undefined
    return {
      ok,
      status: ok ? 200 : 404,
      json: async () => structuredClone((await answer) ?? { error: { code: 'NOT_FOUND', message: 'Not found.' } }),
    }
  }) as unknown as typeof fetch
  return { sent }
}
