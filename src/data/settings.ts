import { eq } from 'drizzle-orm'
import type { Units } from '@/core/units'
import type { Db } from './connection'
import { setting } from './schema'

const UNITS = 'units'

/** The units that every screen speaks in, on all devices; metric until somebody chose. */
export function unitsOf(db: Db): Units {
  const row = db.select().from(setting).where(eq(setting.key, UNITS)).get()
  return row?.value === 'imperial' ? 'imperial' : 'metric'
}

export function setUnits(db: Db, units: Units): void {
  db.insert(setting)
    .values({ key: UNITS, value: units })
    .onConflictDoUpdate({ target: setting.key, set: { value: units } })
    .run()
}
