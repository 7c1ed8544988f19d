import { usePlotArea, useYAxisScale } from 'recharts'

/** A level line at each figure of the upright axis. The chart's own grid measures the text of axes that it does not draw. */
export function Rules({ at }: { at: readonly number[] }) {
  const [yOf, area] = [useYAxisScale(), usePlotArea()]
  if (!yOf || !area) return null
  return (
    <g stroke="var(--rule)">
      {at.map((v) => (
        <line key={v} x1={area.x} x2={area.x + area.width} y1={yOf(v)} y2={yOf(v)} />
      ))}
    </g>
  )
}
