import { db, groundOf } from '@/data'
import { breakdownOfRuns } from '@/features/findings/compute'
import { findingsAsked, queryOf } from '@/features/findings/request'

/** The causes behind the findings of an address, worked out in the findings’ thread. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }) {
  const asked = findingsAsked(db(), (await params).id, queryOf(new URL(request.url).searchParams))
  if (!asked?.shown) return Response.json({ error: 'Nothing was logged in this trial yet.' }, { status: 404 })
  return Response.json(await breakdownOfRuns(asked.chosen, asked.settings, groundOf(db(), asked.plan)))
}
