import { connection } from 'next/server'
import { db, unitsOf } from '@/data'
import type { Units } from '@/core/units'

/** The units that screens speak in, as they are at this request. */
export async function readUnits(): Promise<Units> {
  // Read while it is built, a page would keep the units of that moment.
  await connection()
  return unitsOf(db())
}
