import type { BenchAntenna } from './types'
import { goesBy, listMeasurements, listParts, type Db } from '@/data'

/** The antennas of the kit as the bench offers them. */
export function benchAntennas(db: Db): BenchAntenna[] {
  const kept = [...listMeasurements(db, 'sweep'), ...listMeasurements(db, 'turn')]
  return listParts(db).flatMap((p) =>
    p.kind === 'antenna'
      ? [
          {
            id: p.id,
            name: p.name,
            bands: p.spec.bands,
            lengthM: p.spec.lengthM,
            goesBy: kept.filter((m) => m.partId === p.id && goesBy(p.spec, m)).map((m) => m.id),
          },
        ]
      : [],
  )
}
