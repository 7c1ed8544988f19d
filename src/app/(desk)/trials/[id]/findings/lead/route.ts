import { db } from '@/data'
import { leadOf } from '@/features/findings/frame/lead'
import { findingsAsked } from '@/features/findings/frame/request'
import { readUnits } from '@/server/readUnits'

/** What a trial found, in the sentence that its answer begins with; the list of trials asks for it. */
export async function GET(_: Request, { params }: { params: Promise<{ id: string }> }) {
  const asked = findingsAsked(db(), (await params).id, {})
  if (!asked?.shown) return Response.json({ error: 'Nothing was logged in this trial yet.' }, { status: 404 })
  return Response.json({ lead: await leadOf(asked, await readUnits()) })
}
