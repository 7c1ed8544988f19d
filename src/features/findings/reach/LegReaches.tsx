import { legReachWords, type LegReach } from '@/core/findings'
import type { Units } from '@/core/units'

/** How far each link reaches on each leg; never one circle from one leg. */
export function LegReaches({
  legs,
  name,
  units,
}: {
  legs: readonly LegReach[]
  name: (id: string) => string
  units: Units
}) {
  if (legs.length === 0) return null
  return (
    <>
      <p style={{ margin: '16px 0 4px', fontWeight: 700 }}>How far, leg by leg</p>
      <ul style={{ margin: 0, paddingLeft: 20, maxWidth: 860 }}>
        {legs.map((l) => (
          <li key={`${l.legId} ${l.linkId}`}>{legReachWords(l, name, units)}.</li>
        ))}
      </ul>
    </>
  )
}
