'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { TextField } from '@/ui/fields/TextField'
import { useMemo, useState } from 'react'
import { fixOf, nextStand, type MeasurementOf } from '@/core/bench'
import { trueBearings } from '@/core/bench/fix/taken'
import { inverse } from '@/core/geo'
import { messageOf } from '@/core/outcome'
import type { Units } from '@/core/units'
import type { GridPlace } from '@/workers/terrain'
import { useUnsaved } from '@/ui/answers/useUnsaved'
import { numberIn } from '@/ui/fields/NumberBox'
import type { MeasurementHead } from '@/data/measurements'
import { KeptList } from '../KeptList'
import { Step } from '../Step'
import { TwoColumns } from '../TwoColumns'
import { AimSums } from './AimSums'
import { BearingForm } from './BearingForm'
import { BearingsRead, FixHeadline } from './BearingsRead'
import { FixMap } from './FixMap'
import { placeDigits } from './placeDigits'
import type { StandText } from './StandFields'
import { useBearings } from './useBearings'

interface Props {
  kept: readonly MeasurementHead[]
  grids: readonly GridPlace[]
  units: Units
}

/** One can stand so near to what is sought, and so far, as parts of the way that one stood from it so far. */
const [NEAR, FAR] = [0.35, 1]

/** Bearings from known places, and where they cross. */
export function BearingsPlace({ kept, grids, units }: Props) {
  const bearings = useBearings()
  const [stand, setStand] = useState<StandText>({ lat: '', lon: '' })
  const { list, day } = bearings
  const used = useMemo(() => trueBearings(list, day), [list, day])
  const found = useMemo(() => (used.length > 1 ? fixOf(used) : null), [used])
  const fix = found?.ok ? found.value : null
  const next = useMemo(() => {
    if (!fix) return null
    const ways = used.map((b) => inverse(b, fix.place).distanceM)
    const typical = ways.reduce((s, d) => s + d, 0) / ways.length
    const sd = used.reduce((s, b) => s + b.sdDeg, 0) / used.length
    return nextStand(fix, used, sd, Math.max(50, typical * NEAR), Math.max(100, typical * FAR))
  }, [fix, used])
  useUnsaved(list.length > 0 && bearings.kept === null)
  const [lat, lon] = [numberIn(stand.lat), numberIn(stand.lon)]
  const here = useMemo(
    () => (lat !== null && lon !== null && Math.abs(lat) <= 90 && Math.abs(lon) <= 180 ? { lat, lon } : null),
    [lat, lon],
  )
  const read = { bearings, used, fix, next, why: found && !found.ok ? messageOf(found) : '', units }
  return (
    <>
      <TwoColumns
        side={
          <Step n={1} title="A bearing" done={list.length > 0 ? `${list.length} taken` : null}>
            <BearingForm bearings={bearings} stand={stand} onStand={setStand} />
            <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', mt: 1.5 }}>
              <TextField
                type="date"
                label="Day"
                size="small"
                value={day}
                onChange={(e) => e.target.value && bearings.setDay(e.target.value)}
                slotProps={{ inputLabel: { shrink: true } }}
              />
              {list.length > 0 && (
                <Button size="small" onClick={bearings.clear}>
                  Begin again
                </Button>
              )}
            </Box>
          </Step>
        }
      >
        <FixHeadline {...read} />
        <FixMap
          bearings={used}
          fix={fix}
          next={next?.place ?? null}
          hidden={bearings.hidden}
          stand={here}
          grids={grids}
          units={units}
          onPick={(p) => setStand(placeDigits(p))}
        />
        <BearingsRead {...read} />
        <AimSums units={units} />
      </TwoColumns>
      <KeptList<MeasurementOf<'bearings'>> kept={kept} parts={[]} open="Open it" onOpen={bearings.open} />
    </>
  )
}
