'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import dynamic from 'next/dynamic'
import { useMemo, useState } from 'react'
import { readGpx, type Gpx, type Problem } from '@/core/formats'
import type { Units } from '@/core/units'
import type { LegWithMarks, SiteRow } from '@/data/ground'
import { FileDrop } from '@/ui/fields/FileDrop'
import { PageHead, Refused } from '@/ui/shell'
import { BaseForm } from './BaseForm'
import { BearingLegForm } from './BearingLegForm'
import { FileLegForm } from './FileLegForm'
import { LegList } from './LegList'

const GroundMap = dynamic(() => import('@/ui/map/GroundMap').then((m) => m.GroundMap), { ssr: false })

interface Props {
  trialId: string
  site: SiteRow | null
  legs: LegWithMarks[]
  units: Units
}

/** The ground: where the base stands and where to stop. */
export function GroundStep({ trialId, site, legs, units }: Props) {
  const [file, setFile] = useState<{ name: string; gpx: Gpx } | null>(null)
  const [problems, setProblems] = useState<Problem[]>([])
  const [moving, setMoving] = useState(false)
  const base = useMemo(
    () => (site?.lat != null && site.lon != null ? { lat: site.lat, lon: site.lon, name: site.name } : null),
    [site],
  )
  const map = useMemo(() => {
    const marks = legs.flatMap((l) => l.marks)
    return {
      base,
      legs: legs.map((l) => ({ name: l.name, way: l.way })),
      marks: marks.flatMap((m) =>
        m.lat !== null && m.lon !== null ? [{ lat: m.lat, lon: m.lon, name: m.name }] : [],
      ),
      farthestM: Math.max(500, ...marks.map((m) => m.distanceM)),
      units,
      label: `Map: ${base?.name ?? 'no base yet'}, ${legs.length} legs, ${marks.length} marks`,
      height: 560,
    }
  }, [base, legs, units])
  const read = ([f]: { name: string; text: string }[]) => {
    if (!f) return
    const result = readGpx(f.text)
    setProblems(result.ok ? [] : result.problems.map((p) => ({ ...p, where: `${f.name}, ${p.where}` })))
    setFile(result.ok ? { name: f.name, gpx: result.value } : null)
  }
  return (
    <>
      <PageHead
        title="Ground"
        lead="Where the base stands, and the marks to stop at along each leg. Distances are crow-flies from the base."
      />
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', lg: '380px minmax(0, 1fr)' }, gap: 3 }}>
        <Box sx={{ display: 'grid', gap: 3, alignContent: 'start', minWidth: 0 }}>
          {(!base || moving) && (
            <BaseForm
              key={file?.name ?? 'none'}
              trialId={trialId}
              gpx={file?.gpx ?? null}
              onDone={() => setMoving(false)}
            />
          )}
          {base && !moving && (
            <Box>
              <Typography variant="h2" component="h2">
                {base.name}
              </Typography>
              <Box sx={{ color: 'var(--soft)' }}>
                {base.lat.toFixed(5)}, {base.lon.toFixed(5)}{' '}
                <Button size="small" onClick={() => setMoving(true)}>
                  Place it elsewhere
                </Button>
              </Box>
              <LegList trialId={trialId} legs={legs} units={units} />
            </Box>
          )}
          <Box>
            <FileDrop
              label={file ? `${file.name} is open; drop another` : 'Drop a GPX file here'}
              hint="Waypoints, tracks or routes."
              accept=".gpx"
              onFiles={read}
              onTooLarge={(name) =>
                setProblems([
                  {
                    code: 'large',
                    where: name,
                    message: 'The file is larger than 64 MB. Thin out the track.',
                  },
                ])
              }
            />
            {problems.length > 0 && <Refused title="The file was not taken in" problems={problems} />}
          </Box>
          {base && file && (
            <Box>
              <Typography variant="h2" component="h2" sx={{ mb: 1.5 }}>
                Add a leg from {file.name}
              </Typography>
              <FileLegForm key={file.name} trialId={trialId} base={base} gpx={file.gpx} units={units} />
            </Box>
          )}
          {base && (
            <Box component="details" open={legs.length === 0 && !file}>
              <Box
                component="summary"
                sx={{ cursor: 'pointer', fontWeight: 700, mb: 1.5, fontSize: '1.1rem' }}
              >
                Add a leg by bearing
              </Box>
              <BearingLegForm trialId={trialId} base={base} units={units} />
            </Box>
          )}
        </Box>
        <Box sx={{ minWidth: 0 }}>
          {base ? (
            <GroundMap {...map} />
          ) : (
            <Box sx={{ border: '2px dashed var(--rule)', p: 4, color: 'var(--soft)' }}>
              The map appears once the base is placed.
            </Box>
          )}
        </Box>
      </Box>
    </>
  )
}
