import { db, getMeasurement } from '@/data'

export const dynamic = 'force-dynamic'

/** A measurement of the bench with its figures. */
export async function GET(_request: Request, { params }: { params: Promise<{ id: string }> }) {
  const found = getMeasurement(db(), (await params).id)
  return found
    ? Response.json(found)
    : Response.json({ message: 'This measurement is no longer there.' }, { status: 404 })
}
