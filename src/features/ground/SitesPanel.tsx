'use client'

import Box from '@mui/material/Box'
import { Option } from '@/ui/fields/Option'
import { TextField } from '@/ui/fields/TextField'
import Typography from '@mui/material/Typography'
import { PageLink } from '@/ui/shell/PageLink'
import { useState } from 'react'
import { inverse, type Place } from '@/core/geo'
import type { Link as RadioLink } from '@/core/kit'
import type { PredictionSettings } from '@/core/reach'
import type { Mark } from '@/core/trial'
import { andList, distanceText, fromLength, lengthUnit, toLength, type Units } from '@/core/units'
import type { AreaRow } from '@/data/areas'
import type { SiteRow } from '@/data/ground'
import { Table } from '@/ui/table/Table'
import { NumberBox, numberIn, numberProblem } from '@/ui/fields/NumberBox'
import { useUnitsChange } from '@/ui/fields/useUnitsChange'
import { useAction } from '@/ui/answers/useAction'
import type { TerrainWorker } from '@/ui/terrain/useTerrain'
import { dropSite } from './actions'
import { OtherStationLine, SiteRows } from './SiteRows'

interface Props {
  trialId: string
  worker: TerrainWorker | null
  groundKey: string
  base: (Place & { name: string }) | null
  sites: SiteRow[]
  areas: AreaRow[]
  marks: Mark[]
  links: RadioLink[]
  settings: PredictionSettings
  units: Units
  onSight: (place: Place, heightM: number, name: string) => void
}

/** Where the share of areas that are to be covered stands. */
function SharesAreAt({ trialId, areas }: Pick<Props, 'trialId' | 'areas'>) {
  const toCover = areas.filter((a) => a.kind === 'to cover')
  if (toCover.length === 0) return null
  return (
    <Box sx={{ mt: 1 }}>
      How much of {andList(toCover.map((a) => a.name || 'the area to cover'))} each of them covers, and how
      sure that is, stands under <PageLink href={`/trials/${trialId}/reach`}>Reach</PageLink>.
    </Box>
  )
}

/** Sites and heights side by side: what a mast here or there would do for the marks of the trial. */
export function SitesPanel(props: Props) {
  const { trialId, worker, groundKey, base, sites, areas, marks, links, settings, units, onSight } = props
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
  const shared = { worker, groundKey, marks, link, settings, heightsM: heights, units }
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
            <Option key={l.id} value={l.id}>
              {l.name}
            </Option>
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
      <Table
        label="Sites compared"
        minPx={760}
        head={
          <>
            <th>Site</th>
            <th>Antenna</th>
            <th>Marks copied 9 times in 10</th>
            <th>Marks in sight</th>
            <th>Mean margin</th>
            <th>Pairs of marks through a relay here</th>
            <th />
          </>
        }
      >
        <SiteRows
          {...shared}
          place={base}
          elsewhere={false}
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
              elsewhere
              title={s.name}
              about={about(s)}
              onSight={(h) => onSight(place, h, s.name)}
              onDelete={() => void remove(s.id)}
            />
          )
        })}
      </Table>
      <SharesAreAt trialId={trialId} areas={areas} />
      {others.map((s) => (
        <OtherStationLine
          key={s.id}
          station={s}
          base={base}
          units={units}
          onDelete={() => void remove(s.id)}
        />
      ))}
    </Box>
  )
}
