import { withMinus } from '@/core/units'
import { dbText, dbmText } from '@/core/kit'
import { levelSpan, type BudgetColumns, type DrawnStep } from './budgetColumns'

interface Props {
  budget: BudgetColumns
  columnWidth: number
  left: number
  label: string
  /** What stands at the end: "EIRP", "needed in the air". */
  endName: string
}

const HEIGHT = 214
/** A step smaller than this is drawn and not labelled, dB. */
const MIN_LABEL = 0.05
const [TOP, BOTTOM] = [26, 22]
const BAR = 15
/** Room at the right for where the budget ends. */
export const BUDGET_RIGHT = 190

function Step({ step, x, y, low }: { step: DrawnStep; x: number; y: (dbm: number) => number; low: number }) {
  const [y0, y1] = [y(step.fromDbm), y(step.toDbm)]
  const size = Math.abs(y1 - y0)
  const hatched = step.db !== 0 ? size * Math.min(1, step.mismatchShareDb / Math.abs(step.db)) : 0
  const top = Math.min(y0, y1)
  const rises = step.toDbm > step.fromDbm
  const below = y1 + 16 < y(low) ? Math.max(y0, y1) + 15 : top - 6
  return (
    <g>
      <rect
        x={x - BAR / 2}
        y={top}
        width={BAR}
        height={Math.max(size, 1)}
        fill={rises ? 'var(--accent-fill)' : 'var(--ink)'}
      />
      {hatched > 1 && (
        <rect
          x={x - BAR / 2}
          y={top}
          width={BAR}
          height={hatched}
          fill="url(#mismatch-hatch)"
          stroke="var(--ink)"
        />
      )}
      {Math.abs(step.db) >= MIN_LABEL && (
        <text
          x={x}
          y={rises ? top - 6 : below}
          textAnchor="middle"
          fontSize="13"
          fontWeight="700"
          fill="var(--ink)"
        >
          {step.db > 0 ? '+' : ''}
          {dbText(step.db)}
        </text>
      )}
    </g>
  )
}

/** The budget as a falling and rising line under the chain, dB by dB. */
export function BudgetLine({ budget, columnWidth, left, label, endName }: Props) {
  const { low, high } = levelSpan(budget)
  const right = BUDGET_RIGHT
  const width = left + budget.columns.length * columnWidth + right
  const y = (dbm: number) => TOP + ((high - dbm) / (high - low)) * (HEIGHT - TOP - BOTTOM)
  const every = high - low > 40 ? 10 : 5
  const ticks = Array.from({ length: Math.floor((high - low) / every) + 1 }, (_, i) => low + i * every)
  let level = budget.startDbm
  let path = `M${left} ${y(level)}`
  const steps: { step: DrawnStep; x: number }[] = []
  budget.columns.forEach((column, c) =>
    column.forEach((step, i) => {
      const x = left + columnWidth * (c + (i + 1) / (column.length + 1))
      path += `H${x}V${y(step.toDbm)}`
      steps.push({ step, x })
      level = step.toDbm
    }),
  )
  const end = left + budget.columns.length * columnWidth
  path += `H${end}`
  return (
    <svg width={width} height={HEIGHT} role="img" aria-label={label} style={{ display: 'block' }}>
      <defs>
        <pattern
          id="mismatch-hatch"
          width="5"
          height="5"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <rect width="5" height="5" fill="var(--raised)" />
          <path d="M0 0V5" stroke="var(--bad)" strokeWidth="3.5" />
        </pattern>
      </defs>
      <text x={left - 8} y={14} textAnchor="end" fontSize="12" fill="var(--soft)">
        dBm
      </text>
      {ticks.map((t) => (
        <g key={t}>
          <path d={`M${left} ${y(t)}H${end}`} stroke="var(--rule)" />
          <text x={left - 8} y={y(t) + 4} textAnchor="end" fontSize="12" fill="var(--soft)">
            {withMinus(t)}
          </text>
        </g>
      ))}
      <path d={path} fill="none" stroke="var(--ink)" strokeWidth="2.5" />
      {steps.map(({ step, x }, i) => (
        <Step key={i} step={step} x={x} y={y} low={low} />
      ))}
      <circle
        cx={end}
        cy={y(budget.endDbm)}
        r="5"
        fill="var(--accent-fill)"
        stroke="var(--ink)"
        strokeWidth="2"
      />
      <text x={end + 12} y={y(budget.endDbm) - 2} fontSize="18" fontWeight="700" fill="var(--ink)">
        {dbmText(budget.endDbm)}
      </text>
      <text x={end + 12} y={y(budget.endDbm) + 16} fontSize="13" fill="var(--soft)">
        {endName}
      </text>
    </svg>
  )
}
