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
  strangersWords,
  togetherWords,
  unitWords,
  unsteadyWords,
  type Causes,
} from '@/core/findings'
import type { ReactNode } from 'react'
import type { Units } from '@/core/units'
import { CopyButton } from '@/ui/fields/CopyButton'
import { ByTable } from './ByTable'
import { byCsv } from './findingsCsv'
import { LegReaches } from './LegReaches'
import { PredictionSection } from './PredictionSection'
import { useCauses } from './useCauses'

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

function Found({ causes, ...props }: Omit<Props, 'trialId' | 'params'> & { causes: Causes }) {
  const { name, mark, run, firstRun, units } = props
  const unit = unitWords(causes.matrix)
  const others = [...otherScaleWords(causes, name), ...causes.strangers.map((s) => strangersWords(s, name))]
  const days = [
    ...causes.offsets.map((o) => offsetWords(o, run, firstRun)),
    ...causes.apart.map((a) => apartWords(a, run, name)),
    driftWords(causes.drift),
    ...causes.unsteady.map((u) => unsteadyWords(u, name)),
  ]
  return (
    <>
      {(causes.matrix || causes.together.length > 0) && (
        <Part title="What each thing brought">
          <Lines
            lines={[
              ...(causes.matrix ? matrixWords(causes.matrix) : causes.together.map(togetherWords)),
              ...(unit ? [unit] : []),
            ]}
          />
        </Part>
      )}
      <Part title="Where and when it holds">
        {causes.by.length === 0 ? (
          <p style={{ margin: 0 }}>
            Too few marks to look at legs, distances, kinds of ground, times of day or conditions by
            themselves.
          </p>
        ) : (
          <>
            <ByTable by={causes.by} name={name} />
            <Box sx={{ mt: 1 }}>
              <CopyButton text={() => byCsv(causes.by, name)} label="Copy these differences as CSV" />
            </Box>
          </>
        )}
        <LegReaches legs={causes.legs} {...{ name, units }} />
      </Part>
      {causes.prediction && <PredictionSection found={causes.prediction} {...{ name, mark }} />}
      {others.length > 0 && (
        <Part title="By other scales and other stations">
          <Lines lines={others} />
        </Part>
      )}
      <Part title="Does the log hold together">
        <Lines lines={days} />
      </Part>
      {causes.next && (
        <Part title="What to check next">
          <p style={{ margin: 0, maxWidth: 860 }}>{nextWords(causes.next, name, mark, units)}</p>
        </Part>
      )}
    </>
  )
}

/** What lies behind the verdicts; it comes a moment after them. */
export function CausesSection({ trialId, params, ...rest }: Props) {
  const state = useCauses(trialId, params)
  if (state.at === 'there') return <Found causes={state.value} {...rest} />
  return (
    <Box role="status" sx={{ mt: 4, color: state.at === 'failed' ? 'var(--bad)' : 'var(--soft)' }}>
      {state.at === 'asking'
        ? 'Looking for what brought it, where it holds and what to check next …'
        : `What lies behind the verdicts could not be worked out: ${state.why}. Reload to try again.`}
    </Box>
  )
}
