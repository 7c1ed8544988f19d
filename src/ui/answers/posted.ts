import { bad, good, problem, type Outcome } from '@/core/outcome'

/** What a route of ours answered: JSON, or `{ message }` where it refuses. */
async function answerOf<T>(response: Response): Promise<Outcome<T>> {
  if (response.ok) return good((await response.json()) as T)
  if (response.status >= 500) throw new Error(`the server answered ${response.status}`)
  const { message } = (await response.json().catch(() => ({}))) as { message?: string }
  return bad(problem('refused', '', message ?? `The server answered ${response.status}.`))
}

/**
 * Posts to a route of ours.
 * @throws where the server cannot be reached, or stumbled
 */
export const posted = async <T>(path: string, body: BodyInit, signal?: AbortSignal): Promise<Outcome<T>> =>
  answerOf<T>(await fetch(path, { method: 'POST', body, signal: signal ?? null }))

/** Asks a route of ours for something, or to change something, as JSON. */
export const asked = async <T>(
  method: 'GET' | 'POST' | 'PATCH' | 'DELETE',
  path: string,
  body?: unknown,
): Promise<Outcome<T>> =>
  answerOf<T>(
    await fetch(path, {
      method,
      cache: 'no-store',
      ...(body === undefined
        ? {}
        : { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }),
    }),
  )
