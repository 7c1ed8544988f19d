'use client'

import Typography from '@mui/material/Typography'
import dynamic from 'next/dynamic'
import { predictionWords, type AgainstPrediction } from '@/core/findings'
import { csvLater } from '@/ui/fields/csvLater'
import { thinnedWords } from '../figures/everyNth'
import { FigureFrame } from '../figures/FigureFrame'

const PredictionChart = dynamic(() => import('./PredictionChart').then((m) => m.PredictionChart), {
  ssr: false,
})

/** What is drawn of it, names in place of ids, and how many points there are in all. */
interface DrawnPrediction extends AgainstPrediction {
  inAll: number
}

/** Reports against what was predicted for the same marks. */
export function PredictionSection({ found }: { found: DrawnPrediction }) {
  const csv = () =>
    csvLater(
      ['mark', 'link', 'direction', 'predicted_dbm', 'low_dbm', 'high_dbm'],
      found.points.map((p) => [
        p.markId,
        p.linkId,
        p.direction,
        Number(p.expected.toFixed(1)),
        p.low === null ? null : Number(p.low.toFixed(1)),
        p.high === null ? null : Number(p.high.toFixed(1)),
      ]),
    )
  return (
    <section aria-label="Against the prediction">
      <Typography variant="h3" component="h3" sx={{ mt: 3.5, mb: 1, fontSize: '1.2rem' }}>
        Does it match the prediction?
      </Typography>
      <FigureFrame
        height={340}
        title="Reported against predicted"
        csv={csv}
        caption={
          <>
            {predictionWords(found, (mark) => mark).map((w, i) => (
              <span key={w}>{i === 0 ? <b>{w}</b> : w} </span>
            ))}
            From {found.marks} marks; on the line they would agree.
            {thinnedWords(found.points.length, found.inAll)}
          </>
        }
      >
        <PredictionChart found={found} />
      </FigureFrame>
    </section>
  )
}
