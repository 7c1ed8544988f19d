'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { inverse, type Place } from '@/core/geo'
import type { Link } from '@/core/kit'
import type { PredictionSettings } from '@/core/reach'
import type { Mark } from '@/core/trial'
import { type Units, distanceText, lengthUnit, percentText, signedText, toLength } from '@/core/units'
import type { SiteRow } from '@/data/ground'
import type { TerrainWorker } from '@/ui/terrain/useTerrain'
import { useSitePrediction } from './useSitePrediction'

const NOT_KNOWN: [null, null] = [null, null]

interface RowProps {
  worker: TerrainWorker | null
  groundKey: string
  marks: Mark[]
  settings: PredictionSettings
  place: Place
  /** It is another place than the base's, which the log was made from. */
  elsewhere: boolean
  link: Link
  heightsM: [number, number]
  title: string
  about: string
  onSight: (heightM: number) => void
  onDelete: (() => void) | null
}

/** What a mast at a place would do, at each of two heights. */
export function SiteRows({
  worker,
  groundKey,
  place,
  elsewhere,
  marks,
  link,
  settings,
  heightsM,
  title,
  about,
  onSight,
  onDelete,
  units,
}: RowProps & { units: Units }) {
  const site = useSitePrediction({ worker, groundKey, place, elsewhere, marks, link, heightsM, settings })
  const [low, high] = site.value ?? NOT_KNOWN
  const show = (h: number) => `${Number(toLength(h, units).toFixed(1))} ${lengthUnit(units)}`
  const perMetre =
    low && high ? (high.meanMarginDb - low.meanMarginDb) / (high.heightM - low.heightM || 1) : null
  return (
    <>
      {[low, high].map((o, i) => (
        <tr key={i}>
          {i === 0 && (
            <th rowSpan={2} scope="rowgroup" style={{ verticalAlign: 'top' }}>
              <b>{title}</b>
              <Box sx={{ color: 'var(--soft)', fontSize: '0.88rem' }}>{about}</Box>
              {onDelete && (
                <Button size="small" sx={{ px: 0 }} onClick={onDelete} aria-label={`Delete ${title}`}>
                  Delete
                </Button>
              )}
            </th>
          )}
          <td>{show(heightsM[i]!)}</td>
          {o ? (
            <>
              <td>
                <b>{percentText(o.coveredShare)}</b>
              </td>
              <td>
                {o.inSight} of {o.marks}
              </td>
              <td>
                {signedText(o.meanMarginDb)} dB
                {i === 1 && perMetre !== null && (
                  <span style={{ color: 'var(--soft)' }}>, {perMetre.toFixed(2)} dB a metre</span>
                )}
              </td>
              <td>{percentText(o.relayedShare)}</td>
            </>
          ) : (
            <td colSpan={4} style={{ color: 'var(--soft)' }}>
              {site.at === 'failed'
                ? `this could not be worked out: ${site.why}`
                : site.at === 'asking'
                  ? 'working it out…'
                  : 'the ground to the marks is not known'}
            </td>
          )}
          <td>
            <Button
              size="small"
              onClick={() => onSight(heightsM[i]!)}
              aria-label={`Show what is in sight from ${title} at ${show(heightsM[i]!)}`}
            >
              In sight
            </Button>
          </td>
        </tr>
      ))}
    </>
  )
}

/** A station that is not ours: how far and which way, each with its doubt. */
export function OtherStationLine({
  station: s,
  base,
  units,
  onDelete,
}: {
  station: SiteRow
  base: Place
  units: Units
  onDelete: () => void
}) {
  const to = inverse(base, { lat: s.lat!, lon: s.lon! })
  const doubt = s.doubtM ?? 0
  const off = (Math.asin(Math.min(1, doubt / Math.max(1, to.distanceM))) * 180) / Math.PI
  return (
    <Box sx={{ borderTop: '1px solid var(--rule)', py: 0.75, display: 'flex', gap: 2, alignItems: 'center' }}>
      <Box sx={{ flex: 1 }}>
        <b>{s.name}</b>, {s.moves ? 'moving, ' : ''}not ours: {distanceText(to.distanceM, units)}
        {doubt > 0 && ` ± ${distanceText(doubt, units)}`} at {to.bearingDeg.toFixed(0)}°
        {doubt > 0 && ` ± ${off.toFixed(0)}°`}. Its power and antenna are not known, so no level is predicted.
      </Box>
      <Button size="small" onClick={onDelete} aria-label={`Delete ${s.name}`}>
        Delete
      </Button>
    </Box>
  )
}
