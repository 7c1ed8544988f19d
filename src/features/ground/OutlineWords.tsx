import type { Link } from '@/core/kit'
import { distanceText, type Units } from '@/core/units'
import type { OutlinePoint } from '@/core/reach'
import { RigBadge } from '@/ui/shell'
import { looksOf } from '@/ui/theme/palette'

const middle = (sorted: number[]) => sorted[Math.floor((sorted.length - 1) / 2)]!

/** The rings of expected reach in words: nearest, middle and farthest of all bearings. */
export function OutlineWords({
  links,
  points,
  reliability,
  units,
}: {
  links: Link[]
  points: Pick<OutlinePoint, 'distanceM' | 'open'>[][]
  reliability: number
  units: Units
}) {
  const looks = looksOf(links.map((l) => l.letter))
  return (
    <div>
      To expect {Math.round(100 * reliability)} times in 100, round the base:{' '}
      {links.map((l, i) => {
        const sorted = points[i]!.map((p) => p.distanceM).sort((a, b) => a - b)
        const open = points[i]!.filter((p) => p.open).length
        return (
          <span key={l.id} style={{ marginRight: '1em', display: 'inline-block' }}>
            <RigBadge letter={l.letter} index={looks[i]!} size={18} /> {distanceText(sorted[0]!, units)} to{' '}
            {distanceText(sorted[sorted.length - 1]!, units)}
            {open > 0 && ' or more'}, half the bearings {distanceText(middle(sorted), units)}
          </span>
        )
      })}
    </div>
  )
}
