import { db, listKitParts } from '@/data'
import { PartsPlace } from '@/features/kit/parts/PartsPlace'
import { readUnits } from '@/server/readUnits'

export default async function PartsPage() {
  return <PartsPlace parts={listKitParts(db())} units={await readUnits()} />
}
