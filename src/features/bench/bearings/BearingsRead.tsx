'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { fixSaid, nextStandSaid, type Bearing, type BodyByKind, type Fix, type NextStand } from '@/core/bench'
import { writeGeoJson, writeGpx, writeKml, type MapContents } from '@/core/formats/writeMap'
import { bearingText } from '@/core/geo'
import { figureText, type Units } from '@/core/units'
import { downloadText } from '@/ui/fields/downloadText'
import { Quiet } from '@/ui/shell/Quiet'
import { Table } from '@/ui/table/Table'
import { BenchAnswer } from '../Answer'
import { KeepForm } from '../KeepForm'
import type { Bearings } from './useBearings'

interface Props {
  bearings: Bearings
  /** Those that count, true. */
  used: readonly Bearing[]
  fix: Fix | null
  next: NextStand | null
  /** Why there is no fix; empty where there is one, or too little yet. */
  why: string
  units: Units
}

/** The answer, above the map. */
export function FixHeadline({ used, fix, why, units }: Props) {
  const said = fix && fixSaid(fix, used, units)
  return (
    <BenchAnswer>
      {said?.headline ??
        (why || 'Take a bearing from each of two places or more, and they cross where it is.')}
    </BenchAnswer>
  )
}

/** What the fix rests on, under the map. */
export function BearingsRead({ bearings, used, fix, next, units }: Props) {
  const said = fix && fixSaid(fix, used, units)
  return (
    <>
      <Box component="ul" sx={{ pl: 2.5, my: 1 }}>
        {said?.more.map((line) => (
          <li key={line}>{line}</li>
        ))}
        {next && <li>{nextStandSaid(next, units)}</li>}
      </Box>
      {bearings.simulated && fix && (
        <Button size="small" onClick={bearings.showHidden} disabled={bearings.hidden !== null}>
          Show where the simulated transmitter is
        </Button>
      )}
      {bearings.list.length > 0 && <BearingTable bearings={bearings} used={used} fix={fix} />}
      {fix && <TakeFix used={used} fix={fix} day={bearings.day} />}
      {bearings.kept !== null && <Quiet role="status">Kept as {bearings.kept}.</Quiet>}
      {bearings.kept === null && bearings.list.length > 1 && bearings.takenAt !== null && (
        <KeepForm
          kind="bearings"
          name={`Bearings of ${bearings.day}`}
          body={(): BodyByKind['bearings'] => ({ bearings: bearings.list, day: bearings.day })}
          takenAt={bearings.takenAt}
          source={bearings.simulated ? 'simulated' : 'typed'}
          instrument={bearings.simulated ? 'Simulated finder' : ''}
          parts={[]}
          partId=""
          gives=""
          onKept={(_, name) => bearings.setKept(name)}
        />
      )}
    </>
  )
}

function BearingTable({ bearings, used, fix }: Pick<Props, 'bearings' | 'used' | 'fix'>) {
  return (
    <Table
      label="Bearings taken"
      stacks
      wide
      sx={{ mt: 1.5 }}
      head={
        <>
          <th>From</th>
          <th>True</th>
          <th>Off the fix</th>
          <th>Without it</th>
          <th />
        </>
      }
    >
      {bearings.list.map((b) => {
        const true_ = used.find((u) => u.id === b.id)
        const c = fix?.contributions.find((x) => x.id === b.id)
        return (
          <tr key={b.id}>
            <th scope="row">
              <b>{b.name}</b>
              {fix?.outlier === b.id && <Box sx={{ color: 'var(--bad)' }}>disagrees</Box>}
            </th>
            <td data-label="True">
              {true_ ? bearingText(c?.takenDeg ?? true_.bearingDeg) : 'left out'}{' '}
              {b.compass && true_ && `(${bearingText(b.bearingDeg)} by compass)`}
            </td>
            <td data-label="Off the fix">
              {c
                ? `${figureText(Math.abs(c.offDeg))}° ${c.offDeg < 0 ? 'left' : 'right'} (${figureText(Math.abs(c.offSd))} of its spread)`
                : ''}
            </td>
            <td data-label="Without it">
              {c ? (c.withoutIt === null ? 'no fix' : `ellipse ${figureText(c.withoutIt, 1)} times`) : ''}
            </td>
            <td className="no-print">
              <Button size="small" onClick={() => bearings.leave(b.id)}>
                {b.left ? 'Take it in' : 'Leave it out'}
              </Button>
              <Button size="small" onClick={() => bearings.remove(b.id)} aria-label={`Take ${b.name} away`}>
                Away
              </Button>
            </td>
          </tr>
        )
      })}
    </Table>
  )
}

/** The fix as a place for other programs. */
function TakeFix({ used, fix, day }: { used: readonly Bearing[]; fix: Fix; day: string }) {
  const name = `fix-${day}`
  const contents = (): MapContents => ({
    name: `Fix of ${day}`,
    places: [
      { name: 'Most likely', role: 'fix', ...fix.place },
      ...used.map((b) => ({ name: b.name, role: 'stand', lat: b.lat, lon: b.lon })),
    ],
    tracks: used.map((b) => ({ name: b.name, points: [{ lat: b.lat, lon: b.lon }, fix.place] })),
    marks: [],
    areas: [],
  })
  return (
    <Box className="no-print" sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', mt: 1 }}>
      <Button
        size="small"
        onClick={() => downloadText(`${name}.gpx`, writeGpx(contents()), 'application/gpx+xml')}
      >
        Save as GPX
      </Button>
      <Button
        size="small"
        onClick={() =>
          downloadText(`${name}.kml`, writeKml(contents()), 'application/vnd.google-earth.kml+xml')
        }
      >
        Save as KML
      </Button>
      <Button
        size="small"
        onClick={() => downloadText(`${name}.geojson`, writeGeoJson(contents()), 'application/geo+json')}
      >
        Save as GeoJSON
      </Button>
      <Button size="small" onClick={() => window.print()}>
        Print the page
      </Button>
    </Box>
  )
}
