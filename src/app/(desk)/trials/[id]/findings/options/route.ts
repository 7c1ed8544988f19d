import { db } from '@/data'
import { findingsAsked, queryOf } from '@/features/findings/frame/request'
import { leftOutOptions } from '@/features/findings/knobs/leftOutOptions'

/** What can be left out of a run's findings; asked for when somebody wants to. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }) {
  const asked = findingsAsked(db(), (await params).id, queryOf(new URL(request.url).searchParams))
  if (!asked?.shown) return Response.json({ error: 'Nothing was logged in this trial yet.' }, { status: 404 })
  return Response.json(leftOutOptions(asked.plan, asked.shown.log))
}
