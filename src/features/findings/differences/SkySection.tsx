'use client'

import Box from '@mui/material/Box'
import { Option } from '@/ui/fields/Option'
import { TextField } from '@/ui/fields/TextField'
import Typography from '@mui/material/Typography'
import dynamic from 'next/dynamic'
import { useState } from 'react'
import type { JudgedPair } from '@/core/findings'
import { csvLater } from '@/ui/fields/csvLater'
import { takeOffCrossingsKm, takeOffDifferenceDb, type SkyAntenna } from '@/core/propagation'
import type { Link } from '@/core/kit'
import { aboutDistanceText, type Units } from '@/core/units'
import { FigureFrame } from '../figures/FigureFrame'
import { PairPicker } from './PairPicker'
import type { Settings } from '../frame/ruleParams'
import { useSettings } from '../frame/useSettings'

const SkyChart = dynamic(() => import('./SkyChart').then((m) => m.SkyChart), { ssr: false })

interface Props {
  links: readonly Link[]
  runId: string
  /** Pairs of the scope that is quoted first. */
  pairs: readonly JudgedPair[]
  settings: Settings
  units: Units
}

const HEIGHTS = [2, 4, 6, 8, 10, 12, 15, 20, 30]
const LAYERS = [110, 250, 300, 350, 400]
const USUAL: SkyAntenna = { kind: 'horizontal dipole', heightM: 8, groundLossDb: 1 }

function AntennaFields({
  name,
  antenna,
  onChange,
}: {
  name: string
  antenna: SkyAntenna | undefined
  onChange: (a: SkyAntenna | null) => void
}) {
  return (
    <>
      <TextField
        select
        label={`${name} is`}
        value={antenna?.kind ?? ''}
        onChange={(e) => {
          const kind = e.target.value as SkyAntenna['kind'] | ''
          if (kind === '') onChange(null)
          else
            onChange(
              kind === 'horizontal dipole'
                ? { ...USUAL, ...antenna, kind }
                : { kind, heightM: 0, groundLossDb: 3 },
            )
        }}
        sx={{ minWidth: 240 }}
      >
        <Option value="">not said</Option>
        <Option value="horizontal dipole">a horizontal dipole</Option>
        <Option value="quarter-wave vertical">a quarter-wave vertical</Option>
      </TextField>
      {antenna?.kind === 'horizontal dipole' && (
        <TextField
          select
          label={`Height of ${name}`}
          value={antenna.heightM}
          onChange={(e) => onChange({ ...antenna, heightM: Number(e.target.value) })}
          sx={{ minWidth: 160 }}
        >
          {[...new Set([...HEIGHTS, antenna.heightM])]
            .sort((a, b) => a - b)
            .map((h) => (
              <Option key={h} value={h}>
                {h} m
              </Option>
            ))}
        </TextField>
      )}
      {antenna && (
        <TextField
          select
          label={`Ground loss, ${name}`}
          value={antenna.groundLossDb}
          onChange={(e) => onChange({ ...antenna, groundLossDb: Number(e.target.value) })}
          sx={{ minWidth: 240 }}
        >
          {[...new Set([0, 1, 2, 3, 5, 8, antenna.groundLossDb])]
            .sort((a, b) => a - b)
            .map((d) => (
              <Option key={d} value={d}>
                {d} dB
              </Option>
            ))}
        </TextField>
      )}
    </>
  )
}

/** What a rig's name says of its antenna, until somebody says otherwise; the end that varies is looked at. */
function guessed(links: readonly [Link, Link]): Record<string, SkyAntenna> {
  const end = links[0].base.id === links[1].base.id ? 'out' : 'base'
  return Object.fromEntries(
    links.flatMap((l): [string, SkyAntenna][] => {
      const named = `${l[end].name} ${l[end].traits?.antenna ?? ''}`
      const heightM = l[end].antennaHeightM
      if (/dipole|wire|inverted/i.test(named)) return [[l.id, { ...USUAL, heightM }]]
      return /vertical|whip|rod/i.test(named)
        ? [[l.id, { kind: 'quarter-wave vertical', heightM: 0, groundLossDb: 3 }]]
        : []
    }),
  )
}

/** Below 30 MHz: what the take-off of two antennas lets expect by distance over one hop, beside what was logged. */
export function SkySection({ links, runId, pairs, settings, units }: Props) {
  const { turn } = useSettings(settings, runId)
  const onSky = (sky: Settings['sky']) => turn({ sky })
  const [at, setAt] = useState(0)
  const shown = pairs.filter((p) => p.points.length > 0)
  const pair = shown[Math.min(at, shown.length - 1)]
  if (!pair) return null
  const link = (id: string) => links.find((l) => l.id === id)!
  const [a, b] = [link(pair.a), link(pair.b)]
  const frequencyMHz = a.out.txMHz
  const { layerKm } = settings.sky
  const antennas = { ...guessed([a, b]), ...settings.sky.antennas }
  const [first, second] = [antennas[a.id], antennas[b.id]]
  const put = (id: string, antenna: SkyAntenna | null) =>
    onSky({
      layerKm,
      antennas: Object.fromEntries([
        ...Object.entries(antennas).filter(([k]) => k !== id),
        ...(antenna ? [[id, antenna] as const] : []),
      ]),
    })
  const distances = pair.points.map((p) => p.distanceM / 1000)
  const [near, far] = [Math.min(...distances) * 0.85, Math.max(...distances) * 1.15]
  const line =
    first && second
      ? Array.from({ length: 61 }, (_, i) => near * (far / near) ** (i / 60)).flatMap((km) => {
          const db = takeOffDifferenceDb(first, second, km, frequencyMHz, layerKm)
          return db === null ? [] : [{ km, db }]
        })
      : []
  const crossings =
    first && second
      ? takeOffCrossingsKm(first, second, frequencyMHz, layerKm).filter((km) => km > near && km < far)
      : []
  const says =
    line.length === 0
      ? 'Say what the two antennas are, and the prediction is drawn beside the log.'
      : crossings.length === 0
        ? `By their take-off ${line[0]!.db > 0 ? a.name : b.name} should be ahead over all that was tested.`
        : `By their take-off they should change places at about ${crossings.map((km) => aboutDistanceText(km * 1000, units)).join(' and ')}.`
  return (
    <section aria-label="By way of the sky">
      <Typography variant="h3" component="h3" sx={{ mt: 3.5, mb: 1, fontSize: '1.2rem' }}>
        By way of the sky
      </Typography>
      <Box className="no-print" sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, mb: 1.5 }}>
        <PairPicker
          pairs={shown}
          at={Math.min(at, shown.length - 1)}
          name={(id) => link(id).name}
          onChange={setAt}
        />
        <AntennaFields name={a.name} antenna={first} onChange={(x) => put(a.id, x)} />
        <AntennaFields name={b.name} antenna={second} onChange={(x) => put(b.id, x)} />
        <TextField
          select
          label="Layer’s virtual height"
          value={layerKm}
          onChange={(e) => onSky({ antennas, layerKm: Number(e.target.value) })}
          sx={{ minWidth: 190 }}
        >
          {[...new Set([...LAYERS, layerKm])]
            .sort((x, y) => x - y)
            .map((h) => (
              <Option key={h} value={h}>
                {h} km
              </Option>
            ))}
        </TextField>
      </Box>
      <FigureFrame
        height={320}
        title={`${a.name} against ${b.name}, by take-off`}
        csv={() =>
          csvLater(
            ['distance_km', 'predicted_db'],
            line.map((p) => [Number(p.km.toFixed(1)), Number(p.db.toFixed(2))]),
          )
        }
        caption={
          <>
            <b>{says}</b> Dashed: the free-space pattern times the ground’s reflection at the elevation of one
            hop, if the layer returns it; average ground. Bars and band: the log. Space wave, plane earth and
            terrain do not apply down here; a prediction to hold against the log, not a claim about the
            ionosphere.
          </>
        }
      >
        <SkyChart pair={pair} line={line} first={a.name} units={units} />
      </FigureFrame>
    </section>
  )
}
