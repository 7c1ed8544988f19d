import { good, messageOf, refuse, type Outcome, type Problem } from '@/core/outcome'
import { bytesOf, TOO_LARGE } from './body'

/** A refusal as the routes under /api answer it. */
export const refused = (message: string, status = 400) => Response.json({ message }, { status })

/** What was refused, as the routes answer it: too large by its own status. */
export const refusedFor = (no: { ok: false; problems: Problem[] }) =>
  refused(messageOf(no), no.problems[0]?.code === TOO_LARGE ? 413 : 400)

/** A batch of entries, or a choice, is no more than this, bytes. */
const MAX_JSON_BYTES = 16e6

/** The body of a request as JSON, given up once it is larger than is taken. */
export async function jsonOf(request: Request, most = MAX_JSON_BYTES): Promise<Outcome<unknown>> {
  if (!/^application\/json\b/i.test(request.headers.get('content-type') ?? ''))
    return refuse('The body is not said to be JSON (content-type: application/json).')
  const body = await bytesOf(request, most)
  if (!body.ok) return body
  try {
    return good(JSON.parse(new TextDecoder().decode(body.value)) as unknown)
  } catch {
    return refuse('The body is not JSON; it was cut short or is another file.')
  }
}
