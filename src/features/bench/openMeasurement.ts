import type { Measurement } from '@/core/bench'
import { good, refuse, type Outcome } from '@/core/outcome'

/** A measurement that is kept, with its figures. */
export async function openMeasurement<M extends Measurement>(id: string): Promise<Outcome<M>> {
  const answer = await fetch(`/api/measurements/${encodeURIComponent(id)}`)
  if (answer.status === 404) return refuse('This measurement is no longer there. Load the page anew.')
  if (!answer.ok) return refuse('The server could not read this measurement. Try again.')
  return good((await answer.json()) as M)
}
