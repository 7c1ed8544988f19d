import type { Link } from '@/core/kit'
import type { EdgeInterval } from '@/core/findings/onTheWay/edges'
import { distanceText, type Units } from '@/core/units'

/** How far each rig was heard so far, the farthest first: the bar ends where it was last heard, the tick is where it was lost. */
export function EdgeBars({
  walks,
  links,
  units,
}: {
  walks: readonly EdgeInterval[]
  links: readonly Link[]
  units: Units
}) {
  const rows = links
    .flatMap((link) => {
      const mine = walks.filter((w) => w.linkId === link.id)
      const heardM = Math.max(0, ...mine.map((w) => w.heardToM ?? 0))
      const lostM = Math.max(0, ...mine.map((w) => w.lostByM ?? 0))
      return mine.length > 0 ? [{ link, heardM, lostM }] : []
    })
    .sort((a, b) => b.heardM - a.heardM)
  if (rows.length === 0) return null
  const farthest = Math.max(...rows.map((r) => Math.max(r.heardM, r.lostM)))
  const share = (m: number) => `${(100 * m) / farthest}%`
  return (
    <div role="list" aria-label="Heard so far" style={{ display: 'grid', gap: 6 }}>
      {rows.map(({ link, heardM, lostM }) => (
        <div
          key={link.id}
          role="listitem"
          style={{ display: 'grid', gridTemplateColumns: '28px 1fr 76px', gap: 8, alignItems: 'center' }}
        >
          <b style={{ fontSize: '1.2rem' }}>{link.letter}</b>
          <span style={{ position: 'relative', height: 16, borderBottom: '2px solid var(--f-line)' }}>
            <span
              style={{
                position: 'absolute',
                left: 0,
                top: 3,
                height: 10,
                width: share(heardM),
                background: 'var(--f-ink)',
              }}
            />
            {lostM > 0 && (
              <span
                style={{
                  position: 'absolute',
                  left: share(lostM),
                  top: 0,
                  height: 16,
                  borderLeft: '3px solid var(--f-ink)',
                  marginLeft: -3,
                }}
              />
            )}
          </span>
          <span style={{ textAlign: 'right' }}>{distanceText(heardM, units)}</span>
        </div>
      ))}
    </div>
  )
}
