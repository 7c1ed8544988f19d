import { cookies } from 'next/headers'
import type { Units } from '@/core/units'

/** The units this browser chose; metric until it does. */
export async function readUnits(): Promise<Units> {
  return (await cookies()).get('units')?.value === 'imperial' ? 'imperial' : 'metric'
}
