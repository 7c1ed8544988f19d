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
import type { Face } from './LinkedNumbers'

const same = (v: number) => v

/** A level at a frequency (MHz), from its base in dBm. */
export const levelFaces = (dbm: number, f: number): Face[] => [
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

/** A match, from the reflection coefficient. */
export const MATCH_FACES: Face[] = [
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

/** A gain, from dBi. */
export const GAIN_FACES: Face[] = [
  { id: 'dBi', label: 'Over isotropic', unit: 'dBi', of: same, to: same },
  { id: 'dBd', label: 'Over a dipole', unit: 'dBd', of: dbdOfDbi, to: (v) => dbiOf(v, 'dBd') },
]

/** What is radiated, from the EIRP in dBm. */
export const RADIATED_FACES: Face[] = [
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

/** What a difference buys, from dB; with the slope of this ground where it was measured. */
export const ratioFaces = (slope: MeasuredSlope | null): Face[] => [
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
