'use client'

import Box from '@mui/material/Box'
import { sweepFaults, sweepSaid, type BodyByKind, type SweepBand } from '@/core/bench'
import { Quiet } from '@/ui/shell/Quiet'
import { BenchAnswer, NothingYet } from '../Answer'
import { KeepForm } from '../KeepForm'
import type { BenchAntenna } from '../types'
import { MarkerTable } from './MarkerTable'
import { SweepFigure } from './SweepFigure'
import { SweepList } from './SweepList'
import type { Limits } from './useLimits'
import { useMarkers } from './useMarkers'
import type { DeskSweep, Sweeps } from './useSweeps'

interface Props {
  limits: Limits
  sweeps: Sweeps
  antennas: readonly BenchAntenna[]
}

/** What the sweeps on the desk say: the answer, the picture, the markers, and how far they lie apart. */
export function SweepRead({ limits, sweeps, antennas }: Props) {
  const { chosen } = sweeps
  const { band, limitSwr } = limits
  if (!chosen || !band || limitSwr === null)
    return (
      <NothingYet title="Does it match where it is used?">
        {chosen
          ? 'Type the band and the limit, and the sweep is read.'
          : 'Type the band and the limit, connect an analyser, calibrate it, and sweep; or read a file. What comes out is pass or fail, where the limit is crossed, and what could be cut.'}
      </NothingYet>
    )
  return <Read {...{ limits, sweeps, antennas, chosen, band, limitSwr }} />
}

const TONES = { passes: 'good', fails: 'bad', 'cannot tell': 'open' } as const

function Read({
  limits,
  sweeps,
  antennas,
  chosen,
  band,
  limitSwr,
}: Props & { chosen: DeskSweep; band: SweepBand; limitSwr: number }) {
  const markers = useMarkers(band)
  const faults = sweepFaults(chosen.sweep, band)
  const said = faults.some((f) => f.stops)
    ? null
    : sweepSaid(chosen.sweep, {
        band,
        limitSwr,
        lengthM: limits.antenna?.lengthM ?? null,
        loadAgainDb: chosen.calibration?.loadAgainDb ?? null,
        leadDb: limits.leadDb,
      })
  const title = `${limits.antenna?.name ?? 'Sweep'}, ${chosen.setUp}`
  return (
    <>
      {said && <BenchAnswer tone={TONES[said.verdict]}>{said.headline}</BenchAnswer>}
      {faults.map((f) => (
        <Box key={f.code} role="alert" sx={{ color: f.stops ? 'var(--bad)' : 'var(--ink)', mb: 0.5 }}>
          {f.message}
        </Box>
      ))}
      <SweepFigure
        {...{ title, sweeps, chosen, band, limitSwr }}
        markers={markers.list}
        onMarker={markers.move}
      />
      <SweepList sweeps={sweeps} band={band} />
      {said && (
        <Box component="ul" sx={{ pl: 2.5, my: 1.5, maxWidth: 800 }}>
          {said.more.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </Box>
      )}
      <MarkerTable
        sweep={chosen.sweep}
        markers={markers.list}
        onAdd={markers.add}
        onMove={markers.move}
        onRemove={markers.remove}
      />
      {chosen.kept !== null ? (
        <Quiet sx={{ mt: 2 }} role="status">
          Kept as {chosen.kept}.
        </Quiet>
      ) : (
        <KeepForm
          key={chosen.id}
          kind="sweep"
          name={title}
          body={(): BodyByKind['sweep'] => ({
            sweep: rounded(chosen.sweep),
            band,
            limitSwr,
            setUp: chosen.setUp,
            calibration: chosen.calibration,
            lead: null,
          })}
          takenAt={chosen.takenAt}
          source={chosen.source}
          instrument={chosen.instrument}
          parts={antennas}
          partId={limits.antennaId}
          gives="The antenna takes its SWR from it, and every budget with it. Older sweeps stay beside it."
          onKept={(_, name) => sweeps.markKept(chosen.id, name)}
        />
      )}
    </>
  )
}

/** Seven digits are more than any analyser has. */
const rounded = (s: DeskSweep['sweep']) => ({
  ...s,
  re: s.re.map((v) => Number(v.toFixed(7))),
  im: s.im.map((v) => Number(v.toFixed(7))),
})
