'use client'

import Typography from '@mui/material/Typography'
import dynamic from 'next/dynamic'
import { useState } from 'react'
import { trendWords, type JudgedPair } from '@/core/findings'
import { csvLater } from '@/ui/fields/csvLater'
import type { Units } from '@/core/units'
import { thinnedWords } from '../figures/everyNth'
import { FigureFrame } from '../figures/FigureFrame'
import { PairPicker } from './PairPicker'

const DifferenceChart = dynamic(() => import('./DifferenceChart').then((m) => m.DifferenceChart), {
  ssr: false,
})

/** A pair with the points that are drawn, and how many there are in all. */
export interface DrawnPair extends JudgedPair {
  inAll: number
}

interface Props {
  /** Pairs of one scope. */
  pairs: DrawnPair[]
  marginDb: number
  /** Names of links, by id. */
  names: Record<string, string>
  units: Units
}

/** Where it flips: the difference of one pair at every mark, against distance. */
export function TrendSection({ pairs, marginDb, names, units }: Props) {
  const name = (id: string) => names[id] ?? id
  const shown = pairs.filter((p) => p.points.length > 0)
  const [at, setAt] = useState(0)
  const pair = shown[Math.min(at, shown.length - 1)]
  if (!pair) return null
  const title = `${name(pair.a)} against ${name(pair.b)}, by distance`
  const csv = () =>
    csvLater(
      ['mark', 'direction', 'distance_m', 'low_db', 'high_db'],
      pair.points.map((p) => [p.markId, p.direction, Math.round(p.distanceM), p.low, p.high]),
    )
  return (
    <section aria-label="By distance">
      <Typography variant="h3" component="h3" sx={{ mt: 3.5, mb: 1, fontSize: '1.2rem' }}>
        Does the distance change it?
      </Typography>
      <PairPicker pairs={shown} at={Math.min(at, shown.length - 1)} name={name} onChange={setAt} />
      <FigureFrame
        height={320}
        title={title}
        csv={csv}
        caption={
          <>
            <b>{trendWords(pair, name, units)}</b> Each bar is what one mark’s reports leave of the evened
            difference; an arrowhead is an open end. The grey band is what would not matter, ±{marginDb} dB.
            {thinnedWords(pair.points.length, pair.inAll)}
          </>
        }
      >
        <DifferenceChart pair={pair} marginDb={marginDb} first={name(pair.a)} units={units} />
      </FigureFrame>
    </section>
  )
}
