import { good, refuse, type Outcome } from '@/core/outcome'

/** A refusal as the routes under /api answer it. */
export const refused = (message: string, status = 400) => Response.json({ message }, { status })

/** The body of a request as JSON. */
export async function jsonOf(request: Request): Promise<Outcome<unknown>> {
  if (!/^application\/json\b/i.test(request.headers.get('content-type') ?? ''))
    return refuse('The body is not said to be JSON (content-type: application/json).')
  try {
    return good((await request.json()) as unknown)
  } catch {
    return refuse('The body is not JSON; it was cut short or is another file.')
  }
}
