import { revalidatePath } from 'next/cache'
import type { Schema } from 'yup'
import { refuse, type Outcome } from '@/core/outcome'
import { checked } from '@/core/schema'
import { diskTrouble } from '@/data/diskTrouble'

/**
 * What every server action does: what came in is checked, the work is done with what the schema returned, and
 * pages are made anew where something came of it. Anything can be posted to an action, so ids are checked too.
 */
export async function act<I, T>(
  schema: Schema<I>,
  raw: unknown,
  work: (input: I) => Outcome<T> | Promise<Outcome<T>>,
): Promise<Outcome<T>> {
  const input = checked(schema, raw)
  if (!input.ok) return input
  const outcome = await Promise.resolve()
    .then(() => work(input.value))
    .catch((e: unknown): Outcome<T> => {
      const trouble = diskTrouble(e)
      if (trouble === null) throw e
      return refuse(trouble)
    })
  if (outcome.ok) revalidatePath('/', 'layout')
  return outcome
}
