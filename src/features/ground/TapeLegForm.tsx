'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { Option } from '@/ui/fields/Option'
import { TextField } from '@/ui/fields/TextField'
import { useState } from 'react'
import { MEANS_SD } from '@/core/trial'
import { type Units, countText, lengthUnit, readDistances } from '@/core/units'
import { NumberBox, numberIn, numberProblem } from '@/ui/fields/NumberBox'
import { problem } from '@/core/outcome'
import { useAction } from '@/ui/answers/useAction'
import { addTapeLeg } from './actions'
import { MEANS, type Means } from './means'

/** Marks known by their distance alone. */
export function TapeLegForm({ trialId, units }: { trialId: string; units: Units }) {
  const [name, setName] = useState('')
  const [how, setHow] = useState<Means>('tape')
  const [text, setText] = useState('')
  const [percent, setPercent] = useState(String(MEANS_SD.tape * 100))
  const [bearing, setBearing] = useState('')
  const action = useAction()
  const refuse = (message: string) => action.refuse(problem('leg', 'Leg', message))
  const distances = readDistances(text, lengthUnit(units))
  const bad = {
    percent: numberProblem(percent, { min: 0, max: 50 }, '%'),
    bearing: bearing.trim() === '' ? null : numberProblem(bearing, { min: 0, max: 360 }, '°'),
  }
  const add = async () => {
    if (name.trim() === '') return refuse('Name the leg, such as "Down the lane".')
    if (!distances || distances.length === 0)
      return refuse(
        `Write the distances with blanks between them, in ${lengthUnit(units)} or with their unit, such as 50 100 200 400 or 0.1 0.2 0.5 mi.`,
      )
    if (bad.percent || bad.bearing) return
    const leg = {
      name,
      how,
      bearingDeg: numberIn(bearing),
      sdShare: numberIn(percent)! / 100,
      distancesM: distances,
    }
    await action.run(
      () => addTapeLeg(trialId, leg),
      () => {
        setName('')
        setText('')
      },
    )
  }
  return (
    <Box
      sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: '1fr 1fr', mt: 1 }}
      role="group"
      aria-label="Marks by tape, wheel or paces"
    >
      <TextField label="Name of the leg" value={name} onChange={(e) => setName(e.target.value)} />
      <TextField
        select
        label="Measured by"
        value={how}
        onChange={(e) => {
          const next = e.target.value as Means
          setHow(next)
          setPercent(String(MEANS_SD[next] * 100))
        }}
      >
        {MEANS.map(({ means, words }) => (
          <Option key={means} value={means}>
            {words}
          </Option>
        ))}
      </TextField>
      <TextField
        label={`Distances from the base (${lengthUnit(units)})`}
        placeholder="50 100 200 400"
        value={text}
        onChange={(e) => setText(e.target.value)}
        helperText={
          distances && distances.length > 0
            ? countText(distances.length, 'mark')
            : 'Blanks between them; any unit, as 0.1 0.2 0.5 mi'
        }
        sx={{ gridColumn: 'span 2' }}
      />
      <NumberBox
        label="Good to"
        unit="%"
        value={percent}
        problem={bad.percent}
        onChange={setPercent}
        helperText="One standard deviation"
      />
      <NumberBox
        label="Bearing, if known"
        unit="°"
        value={bearing}
        problem={bad.bearing}
        onChange={setBearing}
      />
      <Box sx={{ gridColumn: 'span 2' }}>
        {action.refusal('The leg was not added', 'Leg')}
        <Button variant="outlined" onClick={() => void add()}>
          Add these marks
        </Button>
      </Box>
    </Box>
  )
}
