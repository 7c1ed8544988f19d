import { db, invitationUsed } from '@/data'

/** Whether somebody came in by the words. */
export async function GET(_request: Request, { params }: { params: Promise<{ id: string }> }) {
  return Response.json({ used: invitationUsed(db(), (await params).id) })
}
