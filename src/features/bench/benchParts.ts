import type { Part } from '@/core/kit'
import { goesBy, listMeasurements, listParts, type Db } from '@/data'
import type { BenchAntenna, BenchLead } from './types'

/** The antennas and the leads of the kit as the bench offers them. */
export function benchParts(db: Db): { antennas: BenchAntenna[]; leads: BenchLead[] } {
  const kept = [...listMeasurements(db, 'sweep'), ...listMeasurements(db, 'turn')]
  const common = (p: Part) => ({
    id: p.id,
    name: p.name,
    goesBy: kept.filter((m) => m.partId === p.id && goesBy(p, m)).map((m) => m.id),
  })
  const parts = listParts(db)
  return {
    antennas: parts.flatMap((p) =>
      p.kind === 'antenna' ? [{ ...common(p), bands: p.spec.bands, lengthM: p.spec.lengthM }] : [],
    ),
    leads: parts.flatMap((p) =>
      p.kind === 'lead'
        ? [{ ...common(p), lengthM: p.spec.lengthM, velocityFactor: p.spec.velocityFactor }]
        : [],
    ),
  }
}
