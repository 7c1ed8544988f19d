import { withMinus } from '@/core/units/numberText'

/** Where a drawing lies within its picture, px of its own. */
export interface Frame {
  left: number
  top: number
  wide: number
  high: number
  /** Of the whole picture. */
  width: number
  height: number
}

/** One axis: where its figures stand, and what they are called. */
interface Axis {
  ticks: readonly number[]
  at: (value: number) => number
  name: string
  text?: (value: number) => string
}

/** The two axes of a picture of the bench: rules across, ticks along the foot, both named with their units. */
export function Axes({ frame: f, upright, across }: { frame: Frame; upright: Axis; across: Axis }) {
  const foot = f.top + f.high
  return (
    <g fontSize="14" fill="var(--soft)">
      {upright.ticks.map((t) => (
        <g key={t}>
          <path d={`M${f.left} ${upright.at(t)}h${f.wide}`} stroke="var(--rule)" />
          <text x={f.left - 8} y={upright.at(t) + 5} textAnchor="end">
            {upright.text?.(t) ?? withMinus(t)}
          </text>
        </g>
      ))}
      {across.ticks.map((t) => (
        <g key={t}>
          <path d={`M${across.at(t)} ${foot}v-6`} stroke="var(--ink)" />
          <text x={across.at(t)} y={foot + 24} textAnchor="middle">
            {across.text?.(t) ?? withMinus(t)}
          </text>
        </g>
      ))}
      <path d={`M${f.left} ${foot}h${f.wide}`} stroke="var(--ink)" strokeWidth="1.5" />
      <text x={f.left + f.wide / 2} y={f.height - 8} textAnchor="middle" fill="var(--ink)">
        {across.name}
      </text>
      <text
        transform={`translate(16 ${f.top + f.high / 2}) rotate(-90)`}
        textAnchor="middle"
        fill="var(--ink)"
      >
        {upright.name}
      </text>
    </g>
  )
}
