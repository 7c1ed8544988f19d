'use client'

import Box from '@mui/material/Box'
import { useState } from 'react'
import type { MeasuredSlope } from '@/core/reach'
import { dbmOfWatts, DIPOLE_DBI } from '@/core/rf'
import { NumberBox, numberIn, numberProblem } from '@/ui/fields/NumberBox'
import { GAIN_FACES, levelFaces, MATCH_FACES, RADIATED_FACES, ratioFaces } from './dbFaces'
import { LinkedNumbers } from './LinkedNumbers'

/** dB read from any side: levels, match, gain, what is radiated, and what a difference buys. */
export function ReadDb({ slope }: { slope: MeasuredSlope | null }) {
  const [dbm, setDbm] = useState(dbmOfWatts(5))
  const [gamma, setGamma] = useState(1 / 3)
  const [dbi, setDbi] = useState(DIPOLE_DBI)
  const [db, setDb] = useState(6)
  const [frequency, setFrequency] = useState('145.5')
  const [loss, setLoss] = useState('0')
  const f = numberIn(frequency) ?? 145.5
  const lossDb = Math.max(0, numberIn(loss) ?? 0)
  return (
    <>
      <LinkedNumbers title="What a difference buys" faces={ratioFaces(slope)} base={db} onBase={setDb} />
      <Box sx={{ color: 'var(--soft)', maxWidth: 780, mt: -1.5, mb: 2.5 }}>
        Ten times the power is 10 dB. Ten times the distance costs 20 dB in free space and about 40 near the
        ground. The two are often taken for one another; they stand side by side here.
        {!slope &&
          ' Once this trial has reports from five marks or more, the slope of its own ground appears too.'}
      </Box>
      <LinkedNumbers title="A level" faces={levelFaces(dbm, f)} base={dbm} onBase={setDbm} />
      <NumberBox
        label="S-units at"
        unit="MHz"
        value={frequency}
        problem={numberProblem(frequency, { above: 0 })}
        onChange={setFrequency}
        sx={{ width: 170, mt: -1, mb: 3 }}
      />
      <LinkedNumbers title="A match" faces={MATCH_FACES} base={gamma} onBase={setGamma} />
      <LinkedNumbers title="A gain" faces={GAIN_FACES} base={dbi} onBase={setDbi} />
      <LinkedNumbers
        title="What is radiated: the level and the gain above, less a loss"
        faces={RADIATED_FACES}
        base={dbm - lossDb + dbi}
        onBase={(eirp) => setDbm(eirp + lossDb - dbi)}
      />
      <NumberBox
        label="Loss between"
        unit="dB"
        value={loss}
        problem={numberProblem(loss, { min: 0 }, 'dB')}
        onChange={setLoss}
        sx={{ width: 170, mt: -1 }}
      />
    </>
  )
}
