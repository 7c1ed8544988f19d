import Box from '@mui/material/Box'
import type { Answer, AnswerLine } from '@/core/findings'
import type { Units } from '@/core/units'
import { RigBadge } from '@/ui/shell/RigBadge'
import { rigLook } from '@/ui/theme/palette'
import { axisOf, type AnswerAxis } from './axis'

const HEIGHT = 26
const MIDDLE = 13
const percent = (share: number) => `${(100 * Math.min(1, Math.max(0, share))).toFixed(2)}%`

/** A bracket on the common scale: its interval as a bar, its middle as a hook, an open end as an arrow. */
function Bracket({ line, axis, hue }: { line: AnswerLine; axis: AnswerAxis; hue: string }) {
  const { value, low, high } = line
  if (value === null && low === null && high === null) return null
  const bounds = low !== null || high !== null
  const left = low === null ? 0 : axis.at(low)
  const right = high === null ? 1 : axis.at(high)
  return (
    <>
      {bounds && (
        <line
          x1={percent(left)}
          x2={percent(right)}
          y1={MIDDLE}
          y2={MIDDLE}
          stroke={hue}
          strokeWidth="7"
          strokeOpacity="0.45"
        />
      )}
      {bounds && high === null && (
        <svg x="100%" y="0" overflow="visible">
          <path d="M-9 6L-1 13L-9 20" fill="none" stroke={hue} strokeWidth="2.5" />
        </svg>
      )}
      {bounds && low === null && (
        <svg x="0%" y="0" overflow="visible">
          <path d="M9 6L1 13L9 20" fill="none" stroke={hue} strokeWidth="2.5" />
        </svg>
      )}
      {value !== null && (
        <svg x={percent(axis.at(value))} y="0" overflow="visible">
          <path d="M-7 2.5h7v21h-7" fill="none" stroke="var(--ink)" strokeWidth="3.5" />
        </svg>
      )}
    </>
  )
}

const HATCH = 'answer-broken'

/** A way by ear: clear solid, broken hatched, lost an empty outline; beyond its last change it fades out. */
function Way({
  spans,
  axis,
  hue,
  y,
}: {
  spans: AnswerLine['ways'][number]['spans']
  axis: AnswerAxis
  hue: string
  y: number
}) {
  return spans.map((s, i) => {
    const [from, to] = [axis.at(s.fromM), s.toM === null ? 1 : axis.at(s.toM)]
    const box = { x: percent(from), width: percent(to - from), y, height: 12 }
    return s.means === 'lost' ? (
      <rect key={i} {...box} fill="none" stroke={hue} strokeWidth="1.5" strokeDasharray="3 3" />
    ) : (
      <g key={i}>
        <rect {...box} fill={hue} fillOpacity={s.means === 'clear' ? 0.85 : 0.25} />
        {s.means === 'broken' && <rect {...box} fill={`url(#${HATCH})`} />}
      </g>
    )
  })
}

/** Height of a way by ear under its words, px. */
const WAY = 16

function Bars({ line, axis, hue }: { line: AnswerLine; axis: AnswerAxis; hue: string }) {
  const svg = {
    width: '100%',
    'aria-hidden': true,
    style: { display: 'block', overflow: 'visible' },
  } as const
  if (line.ways.length === 0)
    return (
      <svg {...svg} height={HEIGHT}>
        <line x1="0" x2="100%" y1={MIDDLE} y2={MIDDLE} stroke="var(--rule)" />
        <Bracket {...{ line, axis, hue }} />
      </svg>
    )
  return line.ways.map((w) => (
    <div key={w.name}>
      {w.name && (
        <Box sx={{ fontSize: '0.85rem', lineHeight: 1.2 }}>
          <span style={{ color: 'var(--soft)' }}>{w.name}:</span> {w.text}
        </Box>
      )}
      <svg {...svg} height={WAY}>
        <Way spans={w.spans} axis={axis} hue={hue} y={2} />
      </svg>
    </div>
  ))
}

/** A line: the rig, its bar, its words; of many rigs the words stand beside the bar. */
function Row({
  line,
  look,
  axis,
  many,
  tight,
}: {
  line: AnswerLine
  look: number
  axis: AnswerAxis | null
  many: boolean
  tight: boolean
}) {
  const { hue } = rigLook(look)
  return (
    <Box
      component="li"
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: many ? '42% 1fr' : '1fr', md: many ? MANY_COLUMNS : FEW_COLUMNS },
        '@media print': { gridTemplateColumns: many ? MANY_COLUMNS : FEW_COLUMNS, py: 0.25 },
        alignItems: 'center',
        columnGap: 2,
        py: many ? 0.25 : tight ? { xs: 0.35, md: 0.25 } : { xs: 0.75, md: 1.25 },
        minHeight: many ? 44 : undefined,
        borderTop: '1px solid var(--rule)',
        breakInside: 'avoid',
      }}
    >
      <Box sx={{ display: 'flex', gap: 1.25, alignItems: 'center', minWidth: 0 }}>
        <RigBadge letter={line.letter} index={look} size={24} />
        <Box component="b" sx={{ overflowWrap: 'anywhere', lineHeight: 1.2 }}>
          {line.name}
        </Box>
      </Box>
      <Box sx={{ minWidth: 0 }}>
        {axis && <Bars {...{ line, axis, hue }} />}
        {!many && line.text && (
          <Box sx={{ lineHeight: 1.35, fontSize: { xs: '0.92rem', md: '1rem' } }}>
            {line.text}
            {line.note && `; ${line.note}`}
          </Box>
        )}
      </Box>
      {many && (
        <Box
          sx={{
            lineHeight: 1.25,
            fontSize: { xs: '0.82rem', md: '0.95rem' },
            gridColumn: { xs: 2, md: 'auto' },
            '@media print': { gridColumn: 'auto' },
          }}
        >
          {line.text}
          {line.note && (
            <Box component="span" sx={{ display: { xs: 'none', md: 'inline' } }}>
              ; {line.note}
            </Box>
          )}
        </Box>
      )}
    </Box>
  )
}

const FEW_COLUMNS = 'minmax(200px, 26%) 1fr'
const MANY_COLUMNS = 'minmax(180px, 22%) 1fr minmax(280px, 36%)'
/** More rigs than these are many. */
const FEW = 4

/** One line for each rig, in order, on a common scale: the strip made small. */
export function AnswerLines({
  answer,
  looks,
  units,
}: {
  answer: Answer
  looks: Record<string, number>
  units: Units
}) {
  const axis = axisOf(answer, units)
  if (answer.lines.length === 0) return null
  const many = answer.lines.length > FEW
  const tight = answer.lines.length === FEW || answer.lines.some((l) => l.ways.length > 2)
  return (
    <Box sx={{ my: 1 }}>
      <svg width="0" height="0" aria-hidden="true" style={{ position: 'absolute' }}>
        <defs>
          <pattern
            id={HATCH}
            width="6"
            height="6"
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(45)"
          >
            <rect width="2" height="6" fill="var(--ink)" opacity="0.55" />
          </pattern>
        </defs>
      </svg>
      <Box component="ol" aria-label="Rig by rig" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {answer.lines.map((line) => (
          <Row key={line.linkId} line={line} look={looks[line.linkId] ?? 0} {...{ axis, many, tight }} />
        ))}
      </Box>
      {axis && (
        <Box
          sx={{
            display: 'grid',
            gridTemplateColumns: { xs: many ? '42% 1fr' : '1fr', md: many ? MANY_COLUMNS : FEW_COLUMNS },
            '@media print': { gridTemplateColumns: many ? MANY_COLUMNS : FEW_COLUMNS },
            columnGap: 2,
            color: 'var(--soft)',
            fontSize: '0.82rem',
          }}
          aria-hidden="true"
        >
          <Box
            sx={{
              display: { xs: many ? 'block' : 'none', md: 'block' },
              '@media print': { display: 'block' },
            }}
          />
          <Box>
            <Box sx={{ position: 'relative', height: 20, borderTop: '1px solid var(--ink)' }}>
              {axis.ticks.map((t) => (
                <Box
                  key={t.value}
                  component="span"
                  sx={{
                    position: 'absolute',
                    left: percent(axis.at(t.value)),
                    transform: 'translateX(-50%)',
                    '&::before': {
                      content: '""',
                      display: 'block',
                      width: '1px',
                      height: '5px',
                      background: 'var(--ink)',
                      margin: '0 auto',
                    },
                  }}
                >
                  {t.text}
                </Box>
              ))}
            </Box>
            <Box sx={{ textAlign: 'right' }}>{axis.label}</Box>
          </Box>
        </Box>
      )}
    </Box>
  )
}
