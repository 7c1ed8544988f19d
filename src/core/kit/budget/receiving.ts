import {
  antennaOwnLossDb,
  dbmOfMicrovolts,
  manMadeNoiseDb,
  modeOf,
  raisedOutsideDb,
  type Surroundings,
} from '@/core/rf'
import type { Budget } from './budget'
import type { RadioSpec } from '../parts/part'
import { dbmText, dbText, type Figure } from './trace'

/** Sensitivity of a radio in dBm at its connector; null where not known. */
export function sensitivityDbm(spec: RadioSpec): number | null {
  if (spec.sensitivity === null) return null
  return spec.sensitivityUnit === 'dBm'
    ? spec.sensitivity
    : dbmOfMicrovolts(spec.sensitivity, spec.sensitivityAcross)
}

/** What receiving takes. */
export interface Receiving {
  /** At the radio's connector, dBm. */
  atRadioDbm: number
  /** The least level on an isotropic antenna in its place that the radio answers to, dBm: with lead, body and gain. */
  inTheAirDbm: number
  /** By how much noise from outside raises what is needed, dB. */
  raisedByNoiseDb: number
}

/**
 * The figure for receiving: sensitivity brought through the chain to the antenna's place, raised by noise from outside.
 * @param budget at the receive frequency
 */
export function receivingOf(spec: RadioSpec, budget: Budget, surroundings: Surroundings): Receiving | null {
  const atRadioDbm = sensitivityDbm(spec)
  if (atRadioDbm === null) return null
  const mode = modeOf(spec.modes)
  const leadLossDb = budget.lossDb + budget.attenuatorDb
  const raisedByNoiseDb = raisedOutsideDb(mode, {
    sensitivityDbm: atRadioDbm,
    bandwidthHz: 1000 * (spec.bandwidthKHz ?? mode.bandwidthKHz),
    externalDb: manMadeNoiseDb(surroundings, budget.frequencyMHz),
    lossDb: leadLossDb + budget.bodyLossDb + (budget.gainDbi === null ? 0 : antennaOwnLossDb(budget.gainDbi)),
  })
  const inTheAirDbm = atRadioDbm + raisedByNoiseDb + leadLossDb + budget.bodyLossDb - (budget.gainDbi ?? 0)
  return { atRadioDbm, inTheAirDbm, raisedByNoiseDb }
}

/** The same with its trace. */
export function receivingFigure(
  spec: RadioSpec,
  receiving: Receiving,
  budget: Budget,
  surroundings: Surroundings,
): Figure {
  const mode = modeOf(spec.modes)
  const beyond = budget.frequencyMHz > 250 ? ', extrapolated above 250 MHz' : ''
  return {
    label: 'Receives from',
    value: `${dbmText(receiving.inTheAirDbm)} in the air`,
    trace: {
      inputs: [
        { name: 'Sensitivity at the connector', value: dbmText(receiving.atRadioDbm) },
        { name: `Noise outside, ${surroundings}`, value: dbText(receiving.raisedByNoiseDb) },
        { name: 'Lead, match and attenuators', value: dbText(budget.lossDb + budget.attenuatorDb) },
        { name: 'Body', value: dbText(budget.bodyLossDb) },
        {
          name: 'Gain',
          value: budget.gainDbi === null ? 'not known, counted as 0 dBi' : `${budget.gainDbi.toFixed(1)} dBi`,
        },
      ],
      formula:
        'Sensitivity + noise + losses − gain; noise floor −174 + 10 lg B + 10 lg((Fa−1)/l + F), l with the antenna’s own loss',
      source: `ITU-R P.372 man-made noise${beyond}; C/N of ${mode.carrierToNoiseDb} dB for ${mode.statedFor}`,
    },
  }
}
