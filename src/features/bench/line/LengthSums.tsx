'use client'

import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { partOfWave, resonatesAt, tooLongM } from '@/core/bench'
import { ELEMENT_STUFF } from '@/core/rf'
import { figureText, fromShown, shortLengthText, shownUnit, type Units } from '@/core/units'
import { FieldGrid } from '@/ui/fields/FieldGrid'
import { NumberBox, numberIn, numberProblem } from '@/ui/fields/NumberBox'
import { PickOne } from '@/ui/fields/PickOne'
import { Table } from '@/ui/table/Table'

const OTHER = 'other'
const LIKELY: readonly [number, string][] = [
  [0.25, 'a quarter wave'],
  [0.5, 'a half wave'],
  [0.625, 'five eighths'],
  [1, 'a full wave'],
]
/** So near a usual fraction it is called by its name. */
const NEAR = 0.03

/** The sums the other way round: what part of a wave a length is, where it would resonate, and what to cut. */
export function LengthSums({ units }: { units: Units }) {
  const [text, setText] = useState({ length: '41', at: '868', wanted: '868' })
  const [stuff, setStuff] = useState<string>('thin')
  const [own, setOwn] = useState('0.95')
  const set = (change: Partial<typeof text>) => setText((old) => ({ ...old, ...change }))
  const velocity = stuff === OTHER ? numberIn(own) : ELEMENT_STUFF.find((s) => s.id === stuff)!.velocityFactor
  const [typed, at, wanted] = [numberIn(text.length), numberIn(text.at), numberIn(text.wanted)]
  const ok =
    typed !== null && typed > 0 && at !== null && at > 0 && velocity !== null && velocity > 0 && velocity <= 1
  const lengthM = ok ? fromShown(typed, 'mm', units) / 1000 : null
  return (
    <Box component="section" sx={{ mt: 4 }}>
      <Typography variant="h2" component="h2" sx={{ mb: 1.5 }}>
        A length, the other way round
      </Typography>
      <FieldGrid>
        <NumberBox
          label="Length"
          unit={shownUnit('mm', units)}
          value={text.length}
          problem={numberProblem(text.length, { above: 0 })}
          onChange={(length) => set({ length })}
        />
        <NumberBox
          label="at"
          unit="MHz"
          value={text.at}
          problem={numberProblem(text.at, { above: 0 })}
          onChange={(v) => set({ at: v })}
        />
        <PickOne
          label="Along what"
          value={stuff}
          options={[
            ...ELEMENT_STUFF.map((s) => ({ value: s.id, name: `${s.name}, ${s.velocityFactor}` })),
            { value: OTHER, name: 'A velocity factor of my own' },
          ]}
          onPick={setStuff}
        />
        {stuff === OTHER && (
          <NumberBox
            label="Velocity factor"
            value={own}
            problem={numberProblem(own, { above: 0, max: 1 })}
            onChange={setOwn}
          />
        )}
        <NumberBox
          label="Wanted at"
          unit="MHz"
          value={text.wanted}
          problem={text.wanted === '' ? null : numberProblem(text.wanted, { above: 0 })}
          onChange={(v) => set({ wanted: v })}
        />
      </FieldGrid>
      {lengthM !== null && at !== null && velocity !== null && (
        <Answer
          lengthM={lengthM}
          atMHz={at}
          velocity={velocity}
          wantedMHz={wanted !== null && wanted > 0 ? wanted : null}
          units={units}
        />
      )}
    </Box>
  )
}

interface AnswerProps {
  lengthM: number
  atMHz: number
  velocity: number
  wantedMHz: number | null
  units: Units
}

function Answer({ lengthM, atMHz, velocity, wantedMHz, units }: AnswerProps) {
  const part = partOfWave(lengthM, atMHz, velocity)
  const named = LIKELY.find(([waves]) => Math.abs(part.waves - waves) < NEAR * waves)
  return (
    <Box role="status" sx={{ mt: 1.5 }}>
      <Box sx={{ fontSize: '1.2rem', fontWeight: 700 }}>
        {figureText(part.waves, 3)} of a wave at {atMHz} MHz{named ? `, about ${named[1]}` : ''}:{' '}
        {figureText(part.degrees, 0)}° of phase.
      </Box>
      <Table
        label="Where it resonates"
        figures
        sx={{ mt: 1 }}
        head={
          <>
            <th>As a</th>
            <th>it resonates at, MHz</th>
            {wantedMHz !== null && <th>for {wantedMHz} MHz</th>}
          </>
        }
      >
        {resonatesAt(lengthM, velocity).map(({ fraction, frequencyMHz }) => {
          const cut = wantedMHz === null ? 0 : tooLongM(lengthM, frequencyMHz, wantedMHz)
          return (
            <tr key={fraction.id}>
              <th scope="row">{fraction.name.toLowerCase()}</th>
              <td>{figureText(frequencyMHz, 1)}</td>
              {wantedMHz !== null && (
                <td>
                  {Math.abs(cut) < 5e-5
                    ? 'right'
                    : cut > 0
                      ? `${shortLengthText(cut, units)} too long`
                      : `${shortLengthText(-cut, units)} too short`}
                </td>
              )}
            </tr>
          )
        })}
      </Table>
    </Box>
  )
}
