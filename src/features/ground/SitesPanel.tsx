'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import MenuItem from '@mui/material/MenuItem'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { useMemo, useState } from 'react'
import { inverse, type Place } from '@/core/geo'
import type { Direction, Link } from '@/core/kit'
import type { PredictionSettings } from '@/core/reach'
import type { Mark } from '@/core/trial'
import { distanceText, fromLength, lengthUnit, toLength, type Units } from '@/core/units'
import type { AreaRow } from '@/data/areas'
import type { SiteRow } from '@/data/ground'
import { NumberBox, numberIn, numberProblem } from '@/ui/fields/NumberBox'
import { useUnitsChange } from '@/ui/fields/useUnitsChange'
import { useAction } from '@/ui/answers/useAction'
import type { TerrainWorker } from '@/ui/terrain/useTerrain'
import { dropSite } from './actions'
import { useAreaShares } from './useAreaShares'
import { useSitePrediction } from './useSitePrediction'

interface Props {
  worker: TerrainWorker | null
  groundKey: string
  base: (Place & { name: string }) | null
  sites: SiteRow[]
  areas: AreaRow[]
  marks: Mark[]
  links: Link[]
  directions: Direction[]
  settings: PredictionSettings
  units: Units
  onSight: (place: Place, heightM: number, name: string) => void
}

const NOT_KNOWN: [null, null] = [null, null]
const percent = (v: number) => `${Math.round(100 * v)} %`

interface RowProps extends Pick<Props, 'worker' | 'groundKey' | 'marks' | 'settings' | 'directions'> {
  /** Ground to be covered. */
  toCover: AreaRow[]
  place: Place
  link: Link
  heightsM: [number, number]
  title: string
  about: string
  onSight: (heightM: number) => void
  onDelete: (() => void) | null
}

function SiteRows({
  worker,
  groundKey,
  directions,
  toCover,
  place,
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
  const site = useSitePrediction({ worker, groundKey, place, marks, link, heightsM, settings })
  const [low, high] = site.value ?? NOT_KNOWN
  const covered = useAreaShares(toCover, { worker, groundKey, place, link, heightsM, directions, settings })
  const shares = covered.value
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
                <b>{percent(o.coveredShare)}</b>
              </td>
              <td>
                {o.inSight} of {o.marks}
              </td>
              <td>
                {o.meanMarginDb >= 0 ? '+' : '−'}
                {Math.abs(o.meanMarginDb).toFixed(1)} dB
                {i === 1 && perMetre !== null && (
                  <span style={{ color: 'var(--soft)' }}>, {perMetre.toFixed(2)} dB a metre</span>
                )}
              </td>
              <td>{percent(o.relayedShare)}</td>
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
          {toCover.map((a, j) => {
            const share = shares?.[i]?.[j]
            return (
              <td key={a.id}>
                {share ? (
                  share.known > 0 ? (
                    <b>{percent(share.share)}</b>
                  ) : (
                    'not known'
                  )
                ) : (
                  <span style={{ color: 'var(--soft)' }}>{covered.at === 'failed' ? 'failed' : '…'}</span>
                )}
              </td>
            )
          })}
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

/** Sites and heights side by side: what a mast here or there would do for the marks of the trial. */
export function SitesPanel(props: Props) {
  const { worker, groundKey, base, sites, areas, marks, links, directions, settings, units, onSight } = props
  const toCover = useMemo(() => areas.filter((a) => a.kind === 'to cover'), [areas])
  const [linkId, setLink] = useState(links[0]?.id ?? '')
  const [low, setLow] = useState(String(Number(toLength(4, units).toFixed(1))))
  const [high, setHigh] = useState(String(Number(toLength(8, units).toFixed(1))))
  const action = useAction()
  useUnitsChange(units, (from, to) => {
    const turned = (t: string) =>
      numberIn(t) === null ? t : String(Number(toLength(fromLength(numberIn(t)!, from), to).toFixed(1)))
    setLow(turned)
    setHigh(turned)
  })
  const link = links.find((l) => l.id === linkId) ?? links[0]
  const ours = sites.filter((s) => s.lat !== null && s.lon !== null && s.role !== 'other station')
  const others = sites.filter((s) => s.role === 'other station' && s.lat !== null && s.lon !== null)
  const bounds = { min: 0.5, max: 660 }
  const ok = !numberProblem(low, bounds) && !numberProblem(high, bounds)
  const heights: [number, number] = ok
    ? [fromLength(numberIn(low)!, units), fromLength(numberIn(high)!, units)]
    : [4, 8]
  const remove = async (id: string) => {
    await action.run(() => dropSite(id))
  }
  if (!link || !base) return null
  const about = (s: SiteRow) =>
    [s.role, distanceText(inverse(base, { lat: s.lat!, lon: s.lon! }).distanceM, units), s.note]
      .filter(Boolean)
      .join(' · ')
  const shared = { worker, groundKey, marks, link, directions, settings, heightsM: heights, units, toCover }
  return (
    <Box component="section" aria-label="Sites and heights" sx={{ mt: 4 }}>
      <Typography variant="h2" component="h2">
        Sites and heights
      </Typography>
      <Box sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap', my: 1 }}>
        <TextField
          select
          label="For the link"
          value={link.id}
          onChange={(e) => setLink(e.target.value)}
          sx={{ minWidth: 200 }}
        >
          {links.map((l) => (
            <MenuItem key={l.id} value={l.id}>
              {l.name}
            </MenuItem>
          ))}
        </TextField>
        <NumberBox
          label="Antenna at"
          unit={lengthUnit(units)}
          value={low}
          problem={numberProblem(low, bounds)}
          onChange={setLow}
          sx={{ width: 130 }}
        />
        <NumberBox
          label="or at"
          unit={lengthUnit(units)}
          value={high}
          problem={numberProblem(high, bounds)}
          onChange={setHigh}
          sx={{ width: 130 }}
        />
      </Box>
      {action.refusal('It was not deleted', 'Place')}
      <Box sx={{ overflowX: 'auto' }} tabIndex={0} role="region" aria-label="Sites compared">
        <Box
          component="table"
          sx={{
            borderCollapse: 'collapse',
            minWidth: 760,
            '& th, & td': {
              textAlign: 'left',
              borderTop: '1px solid var(--rule)',
              py: 0.6,
              pr: 2.5,
              fontWeight: 400,
            },
            '& thead th': { color: 'var(--soft)' },
          }}
        >
          <thead>
            <tr>
              <th>Site</th>
              <th>Antenna</th>
              <th>Marks copied nine times in ten</th>
              <th>Marks in sight</th>
              <th>Mean margin</th>
              <th>Pairs of marks through a relay here</th>
              {toCover.map((a) => (
                <th key={a.id}>Of {a.name || 'the area to cover'}, nine times in ten</th>
              ))}
              <th />
            </tr>
          </thead>
          <tbody>
            <SiteRows
              {...shared}
              place={base}
              title={base.name}
              about="the base now"
              onSight={(h) => onSight(base, h, base.name)}
              onDelete={null}
            />
            {ours.map((s) => {
              const place = { lat: s.lat!, lon: s.lon! }
              return (
                <SiteRows
                  key={s.id}
                  {...shared}
                  place={place}
                  title={s.name}
                  about={about(s)}
                  onSight={(h) => onSight(place, h, s.name)}
                  onDelete={() => void remove(s.id)}
                />
              )
            })}
          </tbody>
        </Box>
      </Box>
      {others.map((s) => {
        const to = inverse(base, { lat: s.lat!, lon: s.lon! })
        const doubt = s.doubtM ?? 0
        const off = (Math.asin(Math.min(1, doubt / Math.max(1, to.distanceM))) * 180) / Math.PI
        return (
          <Box
            key={s.id}
            sx={{
              borderTop: '1px solid var(--rule)',
              py: 0.75,
              display: 'flex',
              gap: 2,
              alignItems: 'center',
            }}
          >
            <Box sx={{ flex: 1 }}>
              <b>{s.name}</b>, {s.moves ? 'moving, ' : ''}not ours: {distanceText(to.distanceM, units)}
              {doubt > 0 && ` ± ${distanceText(doubt, units)}`} at {to.bearingDeg.toFixed(0)}°
              {doubt > 0 && ` ± ${off.toFixed(0)}°`}. Its power and antenna are not known, so no level is
              predicted.
            </Box>
            <Button size="small" onClick={() => void remove(s.id)} aria-label={`Delete ${s.name}`}>
              Delete
            </Button>
          </Box>
        )
      })}
    </Box>
  )
}
