import { good, refuse, type Outcome } from '@/core/outcome'

/** A text as JSON, as the routes read a body. */
export function parsedJson(text: string): Outcome<unknown> {
  try {
    return good(JSON.parse(text) as unknown)
  } catch {
    return refuse('no JSON')
  }
}
