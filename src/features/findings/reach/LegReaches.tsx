import { legReachWords, type LegReach } from '@/core/findings'
import type { Link } from '@/core/kit'
import { legReachesHead, legReachText, linkKey, stateWords, type LegReachOnGround } from '@/core/reach'
import type { Units } from '@/core/units'

interface Props {
  /** Of each leg and link by distance alone. */
  legs: readonly LegReach[]
  /** The same over the leg's own ground, where that is known. */
  onGround: readonly LegReachOnGround[]
  /** What the ground's prediction was corrected by; null before any check, when it tells nothing here. */
  correctedBy: { checks: number; marks: number } | null
  links: readonly Link[]
  name: (id: string) => string
  units: Units
}

/** How far each link reaches on each leg; never one circle from one leg. */
export function LegReaches({ legs, onGround, correctedBy, links, name, units }: Props) {
  const walked = correctedBy === null ? [] : onGround
  const told = walked.flatMap((r) => {
    const link = links.find((l) => linkKey(l) === r.key)
    return link ? [{ ...r, linkId: link.id }] : []
  })
  const rest = legs.filter((l) => !told.some((r) => r.legId === l.legId && r.linkId === l.linkId))
  if (told.length + rest.length === 0) return null
  return (
    <>
      <p style={{ margin: '16px 0 4px', fontWeight: 700 }}>How far, leg by leg</p>
      {told.length > 0 && (
        <p style={{ margin: '0 0 4px', maxWidth: 860 }}>
          {legReachesHead(told[0]!.chance)} {stateWords(correctedBy)}
        </p>
      )}
      <ul style={{ margin: 0, paddingLeft: 20, maxWidth: 860 }}>
        {told.map((r) => (
          <li key={`${r.legId} ${r.linkId}`}>
            {name(r.linkId)} on {r.legName}: {legReachText(r, units)}.
          </li>
        ))}
        {rest.map((l) => (
          <li key={`${l.legId} ${l.linkId}`}>{legReachWords(l, name, units)}.</li>
        ))}
      </ul>
    </>
  )
}
