import { ValidationError, type Schema } from 'yup'
import { bad, good, problem, type Outcome } from '@/core/outcome'

/**
 * What came in, checked: what is answered is what is stored, or all that is wrong with it, each with its field.
 * Anything may be given; nothing is thrown.
 */
export function checked<T>(schema: Schema<T>, raw: unknown): Outcome<T> {
  try {
    return good(schema.validateSync(raw, { abortEarly: false }))
  } catch (e) {
    if (!(e instanceof ValidationError)) throw e
    const all = e.inner.length > 0 ? e.inner : [e]
    return bad(...all.slice(0, 50).map((p) => problem(p.type ?? 'wrong', p.path ?? '', p.message)))
  }
}
