import { db, groundOf } from '@/data'
import { breakdownInputOf } from '@/features/findings/compute'
import { findingsAsked, queryOf } from '@/features/findings/request'

/** What the causes behind the findings of an address are worked out from, by the reader’s own machine in a worker. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }) {
  const asked = findingsAsked(db(), (await params).id, queryOf(new URL(request.url).searchParams))
  if (!asked?.shown) return Response.json({ error: 'Nothing was logged in this trial yet.' }, { status: 404 })
  return Response.json(await breakdownInputOf(asked.chosen, asked.settings, groundOf(db(), asked.plan)))
}
