import { connectorPairLossDb, dbmOfWatts, DIPOLE_DBI, swrText, wattsOfDbm } from '@/core/rf'
import { gammaOfSwr, mismatchedLoss, mismatchLossDb, swrOfGamma } from '@/core/rf'
import type { PlacedPort, PlacedRig } from '../rig/assembly'
import { antennaSwr, matchedLossOf } from './losses'
import { statedDbi } from '../parts/part'
import { dbmText, dbText, wattText, type Trace } from './trace'

/** One step of a budget: what it adds (positive) or takes, and the level behind it. */
export interface BudgetStep {
  /** The chain item it belongs to; "radio", "match", "body" for the others. */
  key: string
  name: string
  /** dB; below nought for a loss. */
  db: number
  /** dBm behind this step. */
  levelDbm: number
  /** Of a loss: the part that only the mismatch of the antenna causes. */
  mismatchShareDb: number
  trace: Trace
}

/** Where the gain comes from. Only a measured one is taken out of a comparison. */
type GainSource = 'measured' | 'claimed' | 'not known'

/** The sums of one port at one frequency. */
export interface Budget {
  frequencyMHz: number
  powerDbm: number
  steps: BudgetStep[]
  /** Lines, adapters and connectors if all were matched, dB. */
  matchedLossDb: number
  /** The same with the antenna's mismatch, and what is reflected at the radio, dB; attenuators are not in it. */
  lossDb: number
  attenuatorDb: number
  /** dBi; null where not known. */
  gainDbi: number | null
  gainSource: GainSource
  bodyLossDb: number
  swrAtAntenna: number | null
  swrOutside: boolean
  swrAtRadio: number
  /** With an antenna of unknown gain these count it as 0 dBi. */
  eirpDbm: number
  erpDbm: number
}

interface At {
  frequencyMHz: number
  powerW: number
}

/** Gain of a port's antenna: measured, else claimed, else not known. */
function gainOf(rig: PlacedRig, port: PlacedPort): { dbi: number | null; source: GainSource } {
  if (!port.antenna) {
    const fixed = rig.radio?.spec.antennaFixed ? rig.radio.spec.fixedGainDbi : null
    return { dbi: fixed, source: fixed === null ? 'not known' : 'measured' }
  }
  const measured = statedDbi(port.antenna.spec.gain)
  if (measured !== null) return { dbi: measured, source: 'measured' }
  const claimed = statedDbi(port.antenna.spec.claimedGain)
  return { dbi: claimed, source: claimed === null ? 'not known' : 'claimed' }
}

/**
 * The budget of one port, from the radio's power to the sky, dB by dB. Losses are from the radio to the
 * antenna; what the mismatch costs is told apart: extra loss in each lossy part, and what the radio's
 * connector reflects.
 * @param at.powerW above 0
 */
export function budgetOf(rig: PlacedRig, port: PlacedPort, at: At): Budget {
  const { frequencyMHz, powerW } = at
  const { swr, outside } = port.antenna
    ? antennaSwr(port.antenna.spec, frequencyMHz)
    : { swr: null, outside: false }
  const through = port.items.filter((p) => p.part.kind !== 'antenna')
  const joints = countJoints(port)
  const jointDb = connectorPairLossDb(frequencyMHz)
  // From the antenna back to the radio, since each piece sees what lies behind it.
  let gamma = Math.min(swr === null ? 0 : gammaOfSwr(swr), 0.999999)
  const losses = [...through].reverse().map(({ item, part }) => {
    const { db: own, trace } = matchedLossOf(part, frequencyMHz)
    const pairs = joints.get(item.key) ?? 0
    const matchedDb = own + (part.kind === 'adapter' ? 0 : pairs * jointDb)
    const seen = gamma
    const { totalDb, gammaAtInput } = mismatchedLoss(matchedDb, gamma)
    gamma = gammaAtInput
    return { item, part, matchedDb, totalDb, seen, pairs, trace }
  })
  losses.reverse()
  const steps: BudgetStep[] = []
  let level = dbmOfWatts(powerW)
  const powerDbm = level
  const push = (key: string, name: string, db: number, mismatchShareDb: number, trace: Trace) => {
    level += db
    steps.push({ key, name, db, levelDbm: level, mismatchShareDb, trace })
  }
  steps.push({
    key: 'radio',
    name: rig.radio?.name ?? 'Radio',
    db: 0,
    levelDbm: level,
    mismatchShareDb: 0,
    trace: {
      inputs: [{ name: 'Power', value: wattText(powerW) }],
      formula: '10 lg(1000 P)',
      source: 'definition of dBm',
    },
  })
  const reflectedDb = mismatchLossDb(gamma)
  if (reflectedDb > 0.005)
    push('match', 'Reflected at the radio', -reflectedDb, reflectedDb, {
      inputs: [{ name: 'SWR at the radio', value: swrText(swrOfGamma(gamma)) }],
      formula: '−10 lg(1 − |Γ|²)',
      source: 'transmission line theory',
    })
  for (const { item, part, matchedDb, totalDb, seen, pairs, trace } of losses)
    push(item.key, part.name, -totalDb, totalDb - matchedDb, {
      ...trace,
      inputs: [
        ...trace.inputs,
        ...(part.kind === 'adapter' || pairs === 0
          ? []
          : [{ name: 'Connectors', value: `${pairs} × ${dbText(jointDb, 2)}` }]),
        ...(seen > 0
          ? [
              { name: 'Matched', value: dbText(matchedDb, 2) },
              { name: '|Γ| behind it', value: seen.toFixed(3) },
              { name: 'With the mismatch', value: '10 lg[(a² − |Γ|²)/(a (1 − |Γ|²))], a = 10^(A/10)' },
            ]
          : []),
      ],
    })
  const bodyLossDb = port.mount?.spec.bodyLossDb ?? 0
  const gain = gainOf(rig, port)
  const antennaKey = port.items.find((p) => p.part.kind === 'antenna')?.item.key ?? 'antenna'
  if (bodyLossDb !== 0)
    push('body', port.mount!.name, -bodyLossDb, 0, {
      inputs: [{ name: 'Setting of the mount', value: dbText(bodyLossDb) }],
      formula: 'What the body or the car takes',
      source: 'a setting, typically a few dB; the log corrects it',
    })
  push(
    antennaKey,
    port.antenna?.name ?? (rig.radio?.spec.antennaFixed ? 'Fixed antenna' : 'No antenna'),
    gain.dbi ?? 0,
    0,
    {
      inputs: [
        {
          name: 'Gain',
          value:
            gain.dbi === null ? 'not known, counted as 0 dBi' : `${gain.dbi.toFixed(1)} dBi, ${gain.source}`,
        },
      ],
      formula: 'EIRP = P − losses + G',
      source:
        gain.source === 'claimed'
          ? 'the maker’s claim; not taken out of any comparison'
          : 'entered with the antenna',
    },
  )
  const attenuatorDb = losses.filter((l) => l.part.kind === 'attenuator').reduce((s, l) => s + l.totalDb, 0)
  const all = losses.reduce((s, l) => s + l.totalDb, 0)
  return {
    frequencyMHz,
    powerDbm,
    steps,
    matchedLossDb: losses.filter((l) => l.part.kind !== 'attenuator').reduce((s, l) => s + l.matchedDb, 0),
    lossDb: all - attenuatorDb + reflectedDb,
    attenuatorDb,
    gainDbi: gain.dbi,
    gainSource: gain.source,
    bodyLossDb,
    swrAtAntenna: swr,
    swrOutside: outside,
    swrAtRadio: swrOfGamma(gamma),
    eirpDbm: level,
    erpDbm: level - DIPOLE_DBI,
  }
}

/** Mated pairs counted with the part behind them, seen from the radio; an adapter is its own pair. */
function countJoints(port: PlacedPort): Map<string, number> {
  const joints = new Map<string, number>()
  const withEnds = port.items.filter((p) => p.near !== null)
  withEnds.forEach((p, i) => {
    // The joint in front of an antenna is counted with the part before it.
    const host = p.part.kind === 'antenna' ? withEnds[i - 1] : p
    if (host) joints.set(host.item.key, (joints.get(host.item.key) ?? 0) + 1)
  })
  return joints
}

/** Figures quoted from a budget, each with its trace. */
export function budgetFigures(budget: Budget) {
  const { eirpDbm, erpDbm, swrAtAntenna, swrAtRadio, lossDb, matchedLossDb, attenuatorDb } = budget
  const between = { name: 'Losses and gain', value: 'every step of the line above' }
  const assumed = swrAtAntenna === null ? 'not measured, taken as 1' : swrText(swrAtAntenna)
  return {
    eirp: {
      label: 'EIRP',
      value: `${dbmText(eirpDbm)}, ${wattText(wattsOfDbm(eirpDbm))}`,
      trace: {
        inputs: [{ name: 'Power', value: dbmText(budget.powerDbm) }, between],
        formula: 'EIRP = P − losses + G(dBi)',
        source: 'definition',
      },
    },
    erp: {
      label: 'ERP',
      value: `${dbmText(erpDbm)}, ${wattText(wattsOfDbm(erpDbm))}`,
      trace: {
        inputs: [{ name: 'EIRP', value: dbmText(eirpDbm) }],
        formula: 'ERP = EIRP − 2.15 dB',
        source: 'definition, against a half-wave dipole',
      },
    },
    lead: {
      label: 'Lead and match',
      value: dbText(lossDb),
      trace: {
        inputs: [
          { name: 'Matched', value: dbText(matchedLossDb, 2) },
          { name: 'Through the mismatch', value: dbText(lossDb - matchedLossDb, 2) },
          ...(attenuatorDb > 0 ? [{ name: 'Attenuators, not in it', value: dbText(attenuatorDb) }] : []),
        ],
        formula: 'Sum over leads, adapters and connectors, and what is reflected',
        source: 'transmission line theory',
      },
    },
    swr: {
      label: 'SWR at the radio, at the antenna',
      value: `${swrText(swrAtRadio)}, ${swrAtAntenna === null ? 'not measured' : swrText(swrAtAntenna)}`,
      trace: {
        inputs: [
          { name: 'At the antenna', value: assumed },
          { name: 'Matched loss between', value: dbText(matchedLossDb + attenuatorDb, 2) },
        ],
        formula: '|Γ| at the radio = |Γ| at the antenna / 10^(A/10)',
        source: 'transmission line theory: a lossy lead hides a bad antenna from the radio’s meter',
      },
    },
  }
}
