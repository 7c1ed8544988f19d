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

/** The distance that people should keep, with its trace: power and gain as they are, losses taken as none. */
export function keepAwayFigure(
  port: PlacedPort,
  budget: Budget,
  powerW: number,
  rules: RuleSet,
  units: Units,
): Figure {
  const limitWm2 = exposureLimitWm2(rules.exposure, budget.frequencyMHz)
  const atBody = port.mount !== null && port.mast === null && AT_BODY.includes(port.mount.spec.place)
  const away = keepAway({
    powerW,
    gainDbi: budget.gainDbi ?? 0,
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
          value: budget.gainDbi === null ? 'not known, counted as 0 dBi' : `${budget.gainDbi.toFixed(1)} dBi`,
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
