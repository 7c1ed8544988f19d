'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import ToggleButton from '@mui/material/ToggleButton'
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup'
import { useRef, useState } from 'react'
import {
  crossedRows,
  crossedSaid,
  fitCosine,
  folded,
  patternFigures,
  patternSaid,
  pointsOf,
  purposeSaid,
  repeatability,
  twoTurned,
  type BodyByKind,
  type MeasurementOf,
  type TurnReading,
} from '@/core/bench'
import { writeTurnTable } from '@/core/formats/turnTable'
import { polarisationLossDb } from '@/core/rf'
import { fileNameOf } from '@/core/trial/runFileName'
import { figureText, percentText } from '@/core/units'
import type { MeasurementHead } from '@/data/measurements'
import { useAction } from '@/ui/answers/useAction'
import { downloadText } from '@/ui/fields/downloadText'
import { PickOne } from '@/ui/fields/PickOne'
import { TakeAlong } from '@/ui/figures/TakeAlong'
import { Quiet } from '@/ui/shell/Quiet'
import { Table } from '@/ui/table/Table'
import { rigLook } from '@/ui/theme/palette'
import { BenchAnswer, NothingYet } from '../Answer'
import { KeepForm } from '../KeepForm'
import { openMeasurement } from '../openMeasurement'
import { NONE } from '../PickPart'
import type { BenchAntenna } from '../types'
import { FlatPicture, PolarPicture, type TurnLayer } from './TurnPicture'
import type { Turn } from './useTurn'

interface Props {
  turn: Turn
  antennas: readonly BenchAntenna[]
  kept: readonly MeasurementHead[]
  /** Slope measured on this trial's ground, n; null where there is none. */
  slope: number | null
}

const LOOKS = [
  ['polar', 'From above'],
  ['folded', 'Folded'],
  ['flat', 'Laid flat'],
] as const
type Look = (typeof LOOKS)[number][0]

/** What the readings of a turn say, as they come in. */
export function TurnRead({ turn, antennas, kept, slope }: Props) {
  if (turn.readings.length < 3)
    return (
      <NothingYet
        title={
          turn.way === 'pattern'
            ? 'Where does it hear, and where not?'
            : 'What does it cost to hold it aslant?'
        }
      >
        {turn.way === 'pattern'
          ? 'Put a steady source some way off. Turn the antenna by even steps, and log the level at each, there and back. Beam, nulls, what lies behind and what the body hides come out of it.'
          : 'Leave the source upright, turn this antenna from upright to flat, and log the level at each step.'}
      </NothingYet>
    )
  const name = turn.antenna?.name ?? 'Antenna'
  return (
    <>
      {turn.way === 'pattern' ? (
        <PatternRead turn={turn} name={name} kept={kept} />
      ) : (
        <CrossedRead readings={turn.readings} name={name} slope={slope} />
      )}
      {turn.kept !== null && <Quiet role="status">Kept as {turn.kept}.</Quiet>}
      {turn.kept === null && turn.frequencyMHz !== null && turn.frequencyMHz > 0 && turn.takenAt !== null && (
        <KeepForm
          kind="turn"
          name={`${name}, ${turn.way === 'pattern' ? 'turned' : 'upright to flat'}, ${turn.text.frequency} MHz`}
          body={(): BodyByKind['turn'] => ({
            way: turn.way,
            readings: [...turn.readings],
            frequencyMHz: turn.frequencyMHz ?? 1,
            lossDb: turn.lossDb,
            body: turn.text.body,
          })}
          takenAt={turn.takenAt}
          source={turn.source}
          instrument={turn.source === 'simulated' ? 'Simulated receiver' : ''}
          parts={antennas}
          partId={turn.antennaId}
          gives={
            turn.way === 'pattern'
              ? 'The antenna takes its pattern from it, and predictions with it.'
              : 'It is kept with the antenna.'
          }
          onKept={(_, called) => turn.setKept(called)}
        />
      )}
      {turn.kept === null && !(turn.frequencyMHz !== null && turn.frequencyMHz > 0) && (
        <Quiet small sx={{ mt: 1 }}>
          Type the frequency, and it can be kept.
        </Quiet>
      )}
    </>
  )
}

function PatternRead({ turn, name, kept }: { turn: Turn; name: string; kept: readonly MeasurementHead[] }) {
  const box = useRef<HTMLDivElement>(null)
  const [look, setLook] = useState<Look>('polar')
  const action = useAction()
  const [other, setOther] = useState<MeasurementOf<'turn'> | null>(null)
  const others = kept.filter((m) => m.of === null)
  const lay = (id: string) =>
    id === NONE ? setOther(null) : void action.run(() => openMeasurement<MeasurementOf<'turn'>>(id), setOther)
  const points = pointsOf(turn.readings)
  const figures = patternFigures(points)
  const said = figures && patternSaid(figures, folded(points, figures.peakDeg), repeatability(turn.readings))
  const layers: TurnLayer[] = [
    { name, readings: turn.readings },
    ...(other ? [{ name: other.name, readings: other.body.readings as TurnReading[] }] : []),
  ]
  const purposes =
    other &&
    twoTurned(turn.readings, other.body.readings, {
      firstLossDb: turn.lossDb,
      secondLossDb: other.body.lossDb,
    })
  const sameFrequency =
    !other ||
    Math.abs(other.body.frequencyMHz - (turn.frequencyMHz ?? other.body.frequencyMHz)) <
      0.02 * other.body.frequencyMHz
  return (
    <>
      <BenchAnswer>
        {said?.headline ??
          'Read on: a pattern wants five angles at least, and none missing over more than 60°.'}
      </BenchAnswer>
      <Box
        className="no-print"
        sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap', mb: 1, alignItems: 'center' }}
      >
        <ToggleButtonGroup
          exclusive
          size="small"
          value={look}
          onChange={(_, v: Look | null) => v && setLook(v)}
          aria-label="Picture"
        >
          {LOOKS.map(([id, label]) => (
            <ToggleButton key={id} value={id}>
              {label}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
        {others.length > 0 && (
          <PickOne
            size="small"
            label="Against"
            value={other?.id ?? NONE}
            options={[
              { value: NONE, name: 'nothing' },
              ...others.map((m) => ({ value: m.id, name: m.name })),
            ]}
            onPick={lay}
            sx={{ minWidth: 220 }}
          />
        )}
      </Box>
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns:
            look === 'flat' ? '1fr' : { xs: '1fr', md: 'minmax(0, 1.25fr) minmax(240px, 1fr)' },
          gap: 2.5,
        }}
      >
        <Box ref={box}>
          {look === 'flat' ? (
            <FlatPicture layers={layers} toDeg={360} law={null} />
          ) : (
            <PolarPicture layers={layers} folded={look === 'folded'} />
          )}
        </Box>
        <Box>
          {layers.map((l, i) => (
            <Box key={l.name} sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
              <svg width="40" height="10" aria-hidden>
                <path d="M0 5H40" stroke={rigLook(i).hue} strokeWidth="3" strokeDasharray={rigLook(i).dash} />
              </svg>
              {l.name}
            </Box>
          ))}
          <Quiet small sx={{ mb: 1 }}>
            Dots are readings, the line their mean as power; a cross is at the receiver’s floor.
          </Quiet>
          {purposes && (
            <Box role="status" sx={{ my: 1.5 }}>
              {purposes.map((v) => (
                <Box key={v.purpose} sx={{ fontWeight: v.better === 'cannot tell' ? 400 : 700, mb: 0.5 }}>
                  {purposeSaid(v, name, other.name)}
                </Box>
              ))}
              {!sameFrequency && (
                <Box sx={{ color: 'var(--bad)' }}>
                  They were turned on different frequencies; what differs may be that.
                </Box>
              )}
            </Box>
          )}
          <Box component="ul" sx={{ pl: 2.5, m: 0 }}>
            {said?.more.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </Box>
        </Box>
      </Box>
      <Along box={box} title={`${name}, turned`} readings={turn.readings} />
    </>
  )
}

function CrossedRead({
  readings,
  name,
  slope,
}: {
  readings: readonly TurnReading[]
  name: string
  slope: number | null
}) {
  const box = useRef<HTMLDivElement>(null)
  const fit = fitCosine(pointsOf(readings))
  if (!fit) return <BenchAnswer>Read on: the law wants four angles at least.</BenchAnswer>
  const said = crossedSaid(fit)
  return (
    <>
      <BenchAnswer>{said.headline}</BenchAnswer>
      <Box ref={box}>
        <FlatPicture
          layers={[{ name, readings }]}
          toDeg={90}
          law={(a) => fit.levelDb - polarisationLossDb(a - fit.alignedDeg, fit.isolationDb)}
        />
      </Box>
      {said.more.map((line) => (
        <Box key={line} sx={{ mt: 0.75 }}>
          {line}
        </Box>
      ))}
      <Table
        label="What turning costs"
        figures
        sx={{ mt: 1.5 }}
        head={
          <>
            <th>Lost</th>
            <th>at</th>
            <th>range left in free space</th>
            <th>near the ground</th>
            {slope !== null && <th>on this ground</th>}
          </>
        }
      >
        {crossedRows(fit, slope).map((r) => (
          <tr key={r.lossDb}>
            <th scope="row">
              <b>{r.lossDb} dB</b>
            </th>
            <td>{r.angleDeg === null ? 'never' : `${figureText(r.angleDeg, 0)}°`}</td>
            <td>{percentText(r.inFreeSpace)}</td>
            <td>{percentText(r.nearGround)}</td>
            {r.here !== null && <td>{percentText(r.here)}</td>}
          </tr>
        ))}
      </Table>
      <Quiet small sx={{ mt: 0.5 }}>
        12 dB are a sixteenth of the power and a quarter of the range in free space: power and range are two
        things. A circular antenna loses 3 dB against a linear one at every angle; against a circular one of
        the other sense it loses all but the isolation.
      </Quiet>
      <Along box={box} title={`${name}, upright to flat`} readings={readings} />
    </>
  )
}

function Along({
  box,
  title,
  readings,
}: {
  box: React.RefObject<HTMLDivElement | null>
  title: string
  readings: readonly TurnReading[]
}) {
  return (
    <Box sx={{ mt: 1 }}>
      <TakeAlong box={box} select="svg.turn-picture" title={title}>
        <Button
          size="small"
          onClick={() => downloadText(`${fileNameOf(title)}.csv`, writeTurnTable(readings), 'text/csv')}
        >
          Save as CSV
        </Button>
        <Button size="small" onClick={() => window.print()}>
          Print the page
        </Button>
      </TakeAlong>
    </Box>
  )
}
