'use client'

import Box from '@mui/material/Box'
import { useState } from 'react'
import type { MeasuredSlope } from '@/core/reach'
import {
  dbdOfDbi,
  dbiOf,
  dbmOfMicrovolts,
  dbmOfSUnits,
  dbmOfWatts,
  dbOfDistanceRatio,
  dbOfPowerRatio,
  distanceRatio,
  DIPOLE_DBI,
  gammaOfMismatchLoss,
  gammaOfReturnLoss,
  gammaOfSwr,
  microvoltsOfDbm,
  mismatchLossDb,
  powerRatio,
  returnLossDb,
  sUnitsOfDbm,
  sUnitsText,
  swrOfGamma,
  wattsOfDbm,
} from '@/core/rf'
import { NumberBox, numberIn, numberProblem } from '@/ui/fields/NumberBox'
import { LinkedNumbers, type Face } from './LinkedNumbers'

const same = (v: number) => v

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
  const levels: Face[] = [
    { id: 'W', label: 'Power', unit: 'W', of: wattsOfDbm, to: dbmOfWatts },
    { id: 'dBm', label: 'Level', unit: 'dBm', of: same, to: same },
    { id: 'dBW', label: 'Level', unit: 'dBW', of: (v) => v - 30, to: (v) => v + 30 },
    { id: 'µV', label: 'Across 50 ohm', unit: 'µV', of: microvoltsOfDbm, to: (v) => dbmOfMicrovolts(v) },
    {
      id: 'EMF',
      label: 'EMF, open',
      unit: 'µV',
      of: (v) => 2 * microvoltsOfDbm(v),
      to: (v) => dbmOfMicrovolts(v, 'EMF'),
    },
    {
      id: 'S',
      label: 'Meter',
      unit: 'S',
      of: (v) => sUnitsOfDbm(v, f),
      to: (v) => dbmOfSUnits(v, f),
      help: sUnitsText(sUnitsOfDbm(dbm, f)),
    },
  ]
  const match: Face[] = [
    { id: 'swr', label: 'SWR', of: swrOfGamma, to: gammaOfSwr },
    { id: 'rl', label: 'Return loss', unit: 'dB', of: returnLossDb, to: gammaOfReturnLoss },
    {
      id: 'gamma',
      label: '|Γ|',
      of: same,
      to: (v) => {
        swrOfGamma(v)
        return v
      },
    },
    { id: 'ml', label: 'Mismatch loss', unit: 'dB', of: mismatchLossDb, to: gammaOfMismatchLoss },
    {
      id: 'back',
      label: 'Power that comes back',
      unit: '%',
      of: (g) => 100 * g * g,
      to: (v) => {
        if (!(v >= 0 && v <= 100)) throw new RangeError('0 to 100 %')
        return Math.sqrt(v / 100)
      },
    },
  ]
  const gain: Face[] = [
    { id: 'dBi', label: 'Over isotropic', unit: 'dBi', of: same, to: same },
    { id: 'dBd', label: 'Over a dipole', unit: 'dBd', of: dbdOfDbi, to: (v) => dbiOf(v, 'dBd') },
  ]
  const radiated: Face[] = [
    { id: 'eirp', label: 'EIRP', unit: 'dBm', of: same, to: same },
    { id: 'eirpW', label: 'EIRP', unit: 'W', of: wattsOfDbm, to: dbmOfWatts },
    { id: 'erp', label: 'ERP', unit: 'dBm', of: (v) => v - DIPOLE_DBI, to: (v) => v + DIPOLE_DBI },
    {
      id: 'erpW',
      label: 'ERP',
      unit: 'W',
      of: (v) => wattsOfDbm(v - DIPOLE_DBI),
      to: (v) => dbmOfWatts(v) + DIPOLE_DBI,
    },
  ]
  const range = (id: string, label: string, n: number, help?: string): Face => ({
    id,
    label,
    unit: 'times',
    of: (v) => distanceRatio(v, n),
    to: (v) => dbOfDistanceRatio(v, n),
    help,
  })
  const ratios: Face[] = [
    { id: 'db', label: 'Difference', unit: 'dB', of: same, to: same },
    { id: 'power', label: 'Power', unit: 'times', of: powerRatio, to: dbOfPowerRatio },
    range('free', 'Reach, free space', 2, '20 dB a decade'),
    range('ground', 'Reach, near the ground', 4, 'about 40 dB a decade'),
    ...(slope
      ? [
          range(
            'here',
            'Reach, on this ground',
            Math.max(0.5, slope.slope),
            `${(10 * slope.slope).toFixed(0)} dB a decade, measured (${(10 * slope.low).toFixed(0)} to ${(10 * slope.high).toFixed(0)})`,
          ),
        ]
      : []),
    { id: 's', label: 'S-units', unit: 'S', of: (v) => v / 6, to: (v) => v * 6, help: '6 dB each' },
  ]
  return (
    <>
      <LinkedNumbers title="What a difference buys" faces={ratios} base={db} onBase={setDb} />
      <Box sx={{ color: 'var(--soft)', maxWidth: 780, mt: -1.5, mb: 2.5 }}>
        Ten times the power is 10 dB. Ten times the distance costs 20 dB in free space and about 40 near the
        ground. The two are often taken for one another; they stand side by side here.
        {!slope &&
          ' Once this trial has reports from five marks or more, the slope of its own ground appears too.'}
      </Box>
      <LinkedNumbers title="A level" faces={levels} base={dbm} onBase={setDbm} />
      <NumberBox
        label="S-units at"
        unit="MHz"
        value={frequency}
        problem={numberProblem(frequency, { above: 0 })}
        onChange={setFrequency}
        sx={{ width: 170, mt: -1, mb: 3 }}
      />
      <LinkedNumbers title="A match" faces={match} base={gamma} onBase={setGamma} />
      <LinkedNumbers title="A gain" faces={gain} base={dbi} onBase={setDbi} />
      <LinkedNumbers
        title="What is radiated: the level and the gain above, less a loss"
        faces={radiated}
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
