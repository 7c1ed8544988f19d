'use client'

import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import {
  apartWords,
  driftWords,
  matrixWords,
  nextWords,
  offsetWords,
  otherScaleWords,
  otherStationsWords,
  togetherWords,
  unitWords,
  erraticWords,
  type Breakdown,
} from '@/core/findings'
import type { ReactNode } from 'react'
import type { Units } from '@/core/units'
import { CopyButton } from '@/ui/fields/CopyButton'
import { ByTable } from './ByTable'
import { byCsv } from './findingsCsv'
import { PredictionSection } from './PredictionSection'
import { useBreakdown } from './useBreakdown'

interface Props {
  trialId: string
  /** The address’s own knobs. */
  params: string
  name: (id: string) => string
  mark: (id: string) => string
  run: (id: string) => string
  firstRun: string
  units: Units
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Box component="section" aria-label={title} sx={{ mt: 4 }}>
      <Typography variant="h2" component="h2" sx={{ mb: 1 }}>
        {title}
      </Typography>
      {children}
    </Box>
  )
}

const Lines = ({ lines }: { lines: readonly string[] }) => (
  <ul style={{ margin: 0, paddingLeft: 20, maxWidth: 860 }}>
    {lines.map((l) => (
      <li key={l}>{l}</li>
    ))}
  </ul>
)

function Found({ breakdown, ...props }: Omit<Props, 'trialId' | 'params'> & { breakdown: Breakdown }) {
  const { name, mark, run, firstRun, units } = props
  const unit = unitWords(breakdown.matrix)
  const others = [
    ...otherScaleWords(breakdown, name),
    ...breakdown.otherStations.map((s) => otherStationsWords(s, name)),
  ]
  const days = [
    ...breakdown.offsets.map((o) => offsetWords(o, run, firstRun)),
    ...breakdown.apart.map((a) => apartWords(a, run, name)),
    ...driftWords(breakdown.drift),
    ...breakdown.erratic.map((u) => erraticWords(u, name)),
  ]
  return (
    <>
      {(breakdown.matrix || breakdown.together.length > 0) && (
        <Part title="What each thing brought">
          <Lines
            lines={[
              ...(breakdown.matrix ? matrixWords(breakdown.matrix) : breakdown.together.map(togetherWords)),
              ...(unit ? [unit] : []),
            ]}
          />
        </Part>
      )}
      <Part title="Where and when it holds">
        {breakdown.by.length === 0 ? (
          <p style={{ margin: 0 }}>
            Too few marks to look at legs, distances, kinds of ground, times of day or conditions by
            themselves.
          </p>
        ) : (
          <>
            <ByTable by={breakdown.by} name={name} />
            <Box sx={{ mt: 1 }}>
              <CopyButton text={() => byCsv(breakdown.by, name)} label="Copy these differences as CSV" />
            </Box>
          </>
        )}
      </Part>
      {breakdown.prediction && <PredictionSection found={breakdown.prediction} {...{ name, mark }} />}
      {others.length > 0 && (
        <Part title="By other scales and other stations">
          <Lines lines={others} />
        </Part>
      )}
      <Part title="Does the log hold together">
        <Lines lines={days} />
      </Part>
      {breakdown.next && (
        <Part title="What to check next">
          <p style={{ margin: 0, maxWidth: 860 }}>{nextWords(breakdown.next, name, mark, units)}</p>
        </Part>
      )}
    </>
  )
}

/** What lies behind the verdicts; it comes a moment after them. */
export function BreakdownSection({ trialId, params, ...rest }: Props) {
  const state = useBreakdown(trialId, params)
  if (state.at === 'there') return <Found breakdown={state.value} {...rest} />
  return (
    <Box role="status" sx={{ mt: 4, color: state.at === 'failed' ? 'var(--bad)' : 'var(--soft)' }}>
      {state.at === 'asking'
        ? 'Looking for what brought it, where it holds and what to check next …'
        : `What lies behind the verdicts could not be worked out: ${state.why}. Reload to try again.`}
    </Box>
  )
}
