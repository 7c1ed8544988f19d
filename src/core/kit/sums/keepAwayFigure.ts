import { exposureLimitWm2, keepAway } from '@/core/rf'
import { roundedUpText, type Units } from '@/core/units'
import type { PlacedPort } from '../rig/assembly'
import type { Budget } from '../budget/budget'
import { AT_BODY } from '../parts/part'
import type { RuleSet } from '../rules/ruleSet'
import { wattText, type Figure } from '../budget/trace'

const WHY_NONE = {
  'below 30 MHz': 'none given below 30 MHz: the limits there are for the fields',
  'at the body': 'none for a radio at the body: the maker’s tested use applies',
  'no limit known': 'no limit known at this frequency',
}

/** The most that an antenna of a form is likely to gain, dBi: what is not known counts against the one who sends. */
const AT_MOST_DBI: [RegExp, number][] = [
  [/dish/i, 30],
  [/beam|panel|log|patch|horn/i, 15],
  [/dipole|loop/i, 3],
  [/whip|rod|stub|helical/i, 6],
]
/** A collinear, and whatever nobody described. */
const AT_MOST_OTHERWISE_DBI = 9

/** A gain for a distance to be kept: as it is known, else on the safe side. */
function gainForSafety(port: PlacedPort, gainDbi: number | null): { dbi: number; words: string } {
  if (gainDbi !== null) return { dbi: gainDbi, words: `${gainDbi.toFixed(1)} dBi` }
  const form = port.antenna?.spec.form ?? 'whip'
  const dbi = AT_MOST_DBI.find(([word]) => word.test(form))?.[1] ?? AT_MOST_OTHERWISE_DBI
  return { dbi, words: `not known, ${dbi} dBi to be on the safe side` }
}

/**
 * The distance that people should keep, with its trace: power and gain as they are, losses taken as none, and a gain
 * that nobody knows as the most that it may be.
 */
export function keepAwayFigure(
  port: PlacedPort,
  budget: Budget,
  powerW: number,
  rules: RuleSet,
  units: Units,
): Figure {
  const limitWm2 = exposureLimitWm2(rules.exposure, budget.frequencyMHz)
  const gain = gainForSafety(port, budget.gainDbi)
  const atBody = port.mount !== null && port.mast === null && AT_BODY.includes(port.mount.spec.place)
  const away = keepAway({
    powerW,
    gainDbi: gain.dbi,
    frequencyMHz: budget.frequencyMHz,
    limitWm2,
    antennaLengthM: port.antenna?.spec.lengthM ?? null,
    atBody,
  })
  return {
    label: 'People keep away',
    value: away.given ? roundedUpText(away.distanceM, units) : WHY_NONE[away.why],
    trace: {
      inputs: [
        { name: 'Power', value: wattText(powerW) },
        {
          name: 'Gain',
          value: gain.words,
        },
        {
          name: 'Limit',
          value: limitWm2 === null ? 'none known' : `${Number(limitWm2.toPrecision(3))} W/m²`,
        },
        { name: 'Duty', value: 'all the time' },
        ...(away.given ? [{ name: 'Decided by', value: away.heldBy }] : []),
      ],
      formula:
        '√(EIRP · 4 · duty / (4π S)), losses taken as none, at least λ/2π and the antenna’s length, rounded up',
      source: `general-public limits of “${rules.name}”; the local limit rules`,
    },
  }
}
