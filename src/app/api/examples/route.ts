import { revalidatePath } from 'next/cache'
import { addSamples, db, listTrials, removeSamples } from '@/data'

/** Puts the examples in, where there is no trial yet. */
export async function POST(): Promise<Response> {
  if (listTrials(db()).length > 0)
    return new Response('There are trials already. The examples go in beside an empty list only.', {
      status: 409,
    })
  const { seedOstrey } = await import('@/demo/ostrey')
  addSamples(db(), seedOstrey)
  revalidatePath('/', 'layout')
  return new Response(null, { status: 204 })
}

/** Takes them out again, with the rigs, parts and places that nobody else uses. */
export function DELETE(): Response {
  removeSamples(db())
  revalidatePath('/', 'layout')
  return new Response(null, { status: 204 })
}
