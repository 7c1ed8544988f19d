'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { useRef } from 'react'
import { isBeside, liveSaid, seriesSaid, type BodyByKind, type MeasurementOf } from '@/core/bench'
import { writeCsv } from '@/core/formats/csvTable'
import { useUnsaved } from '@/ui/answers/useUnsaved'
import { downloadText } from '@/ui/fields/downloadText'
import { TakeAlong } from '@/ui/figures/TakeAlong'
import { Quiet } from '@/ui/shell/Quiet'
import { rigLook } from '@/ui/theme/palette'
import { BenchAnswer, NothingYet } from '../Answer'
import { KeepForm } from '../KeepForm'
import type { MeasurementHead } from '@/data/measurements'
import { KeptList } from '../KeptList'
import { TwoColumns } from '../TwoColumns'
import type { BenchAntenna } from '../types'
import { LivePicture } from './LivePicture'
import { LiveSide } from './LiveSide'
import { useLive, type Live } from './useLive'

interface Props {
  antennas: readonly BenchAntenna[]
  kept: readonly MeasurementHead[]
}

/** What an antenna brings to a radio on the desk, by plugging it in and out. */
export function LivePlace({ antennas, kept }: Props) {
  const live = useLive()
  useUnsaved(live.entries.length > 0 && live.kept === null)
  return (
    <>
      <TwoColumns side={<LiveSide live={live} />}>
        <LiveRead live={live} antennas={antennas} />
      </TwoColumns>
      <KeptList<MeasurementOf<'live'>> kept={kept} parts={antennas} open="Open it" onOpen={live.open} />
    </>
  )
}

function LiveRead({ live: l, antennas }: { live: Live; antennas: readonly BenchAntenna[] }) {
  const box = useRef<HTMLDivElement>(null)
  const levels = l.series.filter((s) => !isBeside(s.quantity.id))
  if (l.entries.length === 0)
    return (
      <NothingYet title="Does it bring anything, here?">
        Read the level again and again, and plug the antenna in and out by turns. The swaps are the evidence:
        what drifts by itself is taken out, and the speed stands beside.
      </NothingYet>
    )
  const said = liveSaid(l.series, l.text.what)
  const shown = levels.length > 0 ? levels : l.series
  const looked = shown.filter((s) => s.quantity.unit === shown[0]!.quantity.unit)
  const title = l.text.what.trim() || 'Plugged in and out'
  return (
    <>
      <BenchAnswer>{said.headline}</BenchAnswer>
      <Box ref={box}>
        <LivePicture series={shown} settleS={l.settleS} />
      </Box>
      <Box component="ul" sx={{ listStyle: 'none', p: 0, my: 1 }}>
        {looked.map((s, i) => (
          <Box
            component="li"
            key={`${s.quantity.id} ${s.port}`}
            sx={{ display: 'flex', gap: 1.25, alignItems: 'center', py: 0.25 }}
          >
            <svg width="40" height="10" aria-hidden>
              <path d="M0 5H40" stroke={rigLook(i).hue} strokeWidth="3.5" strokeDasharray={rigLook(i).dash} />
            </svg>
            {seriesSaid(s)}
          </Box>
        ))}
      </Box>
      <Box component="ul" sx={{ pl: 2.5, my: 1 }}>
        {said.more
          .filter((line) => !looked.some((s) => seriesSaid(s) === line))
          .map((line) => (
            <li key={line}>{line}</li>
          ))}
      </Box>
      <TakeAlong box={box} select="svg.live-picture" title={title}>
        <Button
          size="small"
          onClick={() =>
            downloadText(
              'readings.csv',
              writeCsv(
                ['seconds', 'plugged', 'quantity', 'port', 'value', 'capped'],
                l.entries.flatMap((e) =>
                  e.figures.map((f) => [
                    e.atS,
                    e.state,
                    f.quantity,
                    f.port,
                    f.value,
                    f.capped ? 'yes' : null,
                  ]),
                ),
              ),
              'text/csv',
            )
          }
        >
          Save as CSV
        </Button>
      </TakeAlong>
      {l.kept !== null ? (
        <Quiet role="status">Kept as {l.kept}.</Quiet>
      ) : (
        l.begunAt !== null &&
        !l.polling && (
          <KeepForm
            kind="live"
            name={title}
            body={(): BodyByKind['live'] => ({ readings: l.entries, settleS: l.settleS, what: l.text.what })}
            takenAt={new Date(l.begunAt).toISOString()}
            source={l.source}
            instrument={l.source === 'simulated' ? 'Simulated modem' : l.instrument.identity}
            parts={antennas}
            partId=""
            gives="It is kept with the antenna."
            onKept={(_, name) => l.setKept(name)}
          />
        )
      )}
    </>
  )
}
