'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { Option } from '@/ui/fields/Option'
import { TextField } from '@/ui/fields/TextField'
import { useState } from 'react'
import { MEANS_SD, type Mark } from '@/core/trial'
import { fromLength, lengthUnit, toLength, type Units } from '@/core/units'
import { useAction } from '@/ui/answers/useAction'
import { NumberBox, numberIn, numberProblem } from '@/ui/fields/NumberBox'
import { putMeasured } from './actions'
import { MEANS, type Means } from './means'

/** The distance of a mark without coordinates, measured at last or measured better. */
export function MeasureMark({ mark, units, onDone }: { mark: Mark; units: Units; onDone: () => void }) {
  const shown = (m: number) => String(Number(toLength(m, units).toFixed(1)))
  const [how, setHow] = useState<Means>(
    mark.how && mark.how !== 'coordinates' && mark.how !== 'pegged' ? mark.how : 'tape',
  )
  const [distance, setDistance] = useState(shown(mark.distanceM))
  const action = useAction()
  const bad = numberProblem(distance, { above: 0 }, lengthUnit(units))
  const save = async () => {
    const distanceM = fromLength(numberIn(distance)!, units)
    const distanceSdM = Math.max(0.5, distanceM * MEANS_SD[how])
    await action.run(() => putMeasured({ markId: mark.id, how, distanceM, distanceSdM }), onDone)
  }
  return (
    <Box
      sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', py: 1 }}
      role="group"
      aria-label={`Measure ${mark.name}`}
    >
      <NumberBox
        label="Distance"
        unit={lengthUnit(units)}
        value={distance}
        problem={bad ?? action.problems[0]?.message ?? null}
        onChange={setDistance}
        sx={{ width: 150 }}
      />
      <TextField
        select
        label="Measured by"
        value={how}
        onChange={(e) => setHow(e.target.value as Means)}
        sx={{ width: 190 }}
      >
        {MEANS.filter((m) => m.means !== 'pegged').map(({ means, words }) => (
          <Option key={means} value={means}>
            {words}
          </Option>
        ))}
      </TextField>
      <Button variant="contained" disabled={bad !== null} onClick={() => void save()}>
        Measured
      </Button>
      <Button onClick={onDone}>Leave it</Button>
    </Box>
  )
}
