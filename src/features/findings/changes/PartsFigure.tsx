import Box from '@mui/material/Box'
import { signed, type Breakdown } from '@/core/findings'
import { dbTicks } from '../figures/chartAxes'
import { withMinus } from '@/core/units'

interface Props {
  /** One pair, by everything that it was looked at. */
  parts: { what: string; pair: Breakdown['by'][number]['pairs'][number] }[]
  title: string
  marginDb: number
}

const COLUMNS = 'minmax(130px, 22%) 1fr 150px'

/** One difference in every part of the log, on a common scale: bars that lie apart are changes. */
export function PartsFigure({ parts, title, marginDb }: Props) {
  const rows = parts.flatMap(({ what, pair }) =>
    pair.within.map((w) => ({ what, changes: pair.change !== null, ...w })),
  )
  const unit = parts[0]?.pair.unit ?? 'dB'
  const ends = rows.flatMap((r) => [r.effect.interval90.low, r.effect.interval90.high, 0])
  const [low, high] = [Math.min(...ends), Math.max(...ends)]
  const room = 0.06 * Math.max(1, high - low)
  const [from, to] = [low - room, high + room]
  const at = (v: number) => `${((100 * (v - from)) / (to - from)).toFixed(2)}%`
  return (
    <Box component="figure" aria-label={title} sx={{ m: 0, mb: 2, maxWidth: 900 }}>
      <Box component="figcaption" sx={{ fontWeight: 700, mb: 0.5 }}>
        {title}
      </Box>
      {rows.map((r, i) => (
        <Box
          key={`${r.what} ${r.group}`}
          sx={{
            display: 'grid',
            gridTemplateColumns: COLUMNS,
            columnGap: 1.5,
            alignItems: 'center',
            borderTop: i === 0 || rows[i - 1]!.what !== r.what ? '1px solid var(--rule)' : 'none',
            fontSize: '0.92rem',
            fontWeight: r.changes ? 700 : 400,
          }}
        >
          <span>{r.group}</span>
          <svg width="100%" height="22" aria-hidden="true" style={{ display: 'block', overflow: 'visible' }}>
            {unit === 'dB' && (
              <rect
                x={at(Math.max(from, -marginDb))}
                width={`${((100 * (Math.min(to, marginDb) - Math.max(from, -marginDb))) / (to - from)).toFixed(2)}%`}
                y="0"
                height="22"
                fill="var(--rule)"
                opacity="0.45"
              />
            )}
            <line x1={at(0)} x2={at(0)} y1="0" y2="22" stroke="var(--ink)" />
            <line
              x1={at(r.effect.interval90.low)}
              x2={at(r.effect.interval90.high)}
              y1="11"
              y2="11"
              stroke="var(--accent)"
              strokeWidth="5"
              strokeOpacity="0.55"
            />
            <svg x={at(r.effect.estimate)} y="0" overflow="visible">
              <rect x="-3.5" y="7" width="7" height="8" fill="var(--ink)" />
            </svg>
          </svg>
          <span>
            {signed(r.effect.estimate)} ({signed(r.effect.interval90.low)} to{' '}
            {signed(r.effect.interval90.high)})
          </span>
        </Box>
      ))}
      <Box
        aria-hidden="true"
        sx={{
          display: 'grid',
          gridTemplateColumns: COLUMNS,
          columnGap: 1.5,
          color: 'var(--soft)',
          fontSize: '0.82rem',
        }}
      >
        <span />
        <Box sx={{ position: 'relative', height: 20, borderTop: '1px solid var(--ink)' }}>
          {dbTicks([from, to]).map((t) => (
            <span key={t} style={{ position: 'absolute', left: at(t), transform: 'translateX(-50%)' }}>
              {withMinus(t)}
            </span>
          ))}
        </Box>
        <span>{unit}; grey would not matter</span>
      </Box>
    </Box>
  )
}
