'use client'

import ToggleButton from '@mui/material/ToggleButton'
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup'
import dynamic from 'next/dynamic'
import { useState } from 'react'
import { outBackWords } from '@/core/findings'
import { csvLater } from '@/ui/fields/csvLater'
import type { Units } from '@/core/units'
import type { DrawnLevels } from './drawnLevels'
import { thinnedWords } from '../figures/everyNth'
import { FigureFrame } from '../figures/FigureFrame'

const LevelChart = dynamic(() => import('./LevelChart').then((m) => m.LevelChart), { ssr: false })

interface Props {
  levels: DrawnLevels
  /** The difference that would matter, dB. */
  marginDb: number
  looks: number[]
  units: Units
}

const one = (v: number) => v.toFixed(1)

/** What the levels say: how they fall on this ground. */
export function LevelSection({ levels, marginDb, looks, units }: Props) {
  const { links, directions } = levels
  const [direction, setDirection] = useState(directions[0]!.direction)
  const { unit } = directions.find((d) => d.direction === direction)!
  const name = (id: string) => links.find((l) => l.id === id)?.name ?? id
  const csv = () =>
    csvLater(
      ['link', 'direction', 'distance_m', 'low_db', 'high_db', 'not_heard'],
      levels.points.map((p) => [
        name(p.linkId),
        p.direction,
        Math.round(p.distanceM),
        p.low,
        p.high,
        String(p.notHeard),
      ]),
    )
  return (
    <section aria-label="Levels">
      {directions.length > 1 && (
        <ToggleButtonGroup
          exclusive
          size="small"
          value={direction}
          onChange={(_, d: typeof direction | null) => d && setDirection(d)}
          aria-label="Direction shown"
          className="no-print"
          sx={{ mb: 1 }}
        >
          {directions.map(({ direction: d }) => (
            <ToggleButton key={d} value={d}>
              {d}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
      )}
      <FigureFrame
        height={380}
        title={`Level against distance, ${direction}`}
        csv={csv}
        caption={
          <>
            On this ground the level falls by <b>{Math.round(10 * levels.slope.estimate)} dB a decade</b> (
            {Math.round(10 * levels.slope.low)} to {Math.round(10 * levels.slope.high)}); free space, dotted,
            falls by 20, plane earth, dashed, by 40. From {levels.reports} reports at {levels.marks} marks:
            about {one(levels.shadowDb)} dB of shadowing shared by all at a mark, {one(levels.linkDb)} dB a
            link’s own, {one(levels.callDb)} dB from call to call. Open triangles: not heard (down), full
            scale (up).
            {thinnedWords(levels.points.length, levels.inAll)}
          </>
        }
      >
        <LevelChart {...{ levels, looks, direction, unit, units }} />
      </FigureFrame>
      {levels.outBack.length > 0 && (
        <>
          <p style={{ margin: '12px 0 4px', fontWeight: 700 }}>Talk-out against talk-back</p>
          <ul style={{ marginTop: 0 }}>
            {levels.outBack.map((o) => (
              <li key={o.linkId}>{outBackWords(o, name, marginDb)}</li>
            ))}
          </ul>
        </>
      )}
    </section>
  )
}
