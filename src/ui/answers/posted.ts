import { bad, good, problem, type Outcome } from '@/core/outcome'

/**
 * Posts to a route of ours that answers with JSON, or with `{ message }` where it refuses.
 * @throws where the server cannot be reached, or stumbled
 */
export async function posted<T>(path: string, body: BodyInit, signal?: AbortSignal): Promise<Outcome<T>> {
  const response = await fetch(path, { method: 'POST', body, signal: signal ?? null })
  if (response.ok) return good((await response.json()) as T)
  if (response.status >= 500) throw new Error(`the server answered ${response.status}`)
  const { message } = (await response.json().catch(() => ({}))) as { message?: string }
  return bad(problem('refused', '', message ?? `The server answered ${response.status}.`))
}
