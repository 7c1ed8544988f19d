import type { Units } from '@/core/units'
import { placeParts, type Assembly, type PlacedRig } from '../rig/assembly'
import { budgetOf, type Budget } from '../budget/budget'
import { problemsOf, type KitProblem } from '../checks'
import { statedDbi, type Part } from '../parts/part'
import { sensitivityDbm } from '../budget/receiving'
import type { RigFigures } from '../rig/rig'
import type { ServiceRule } from '../rules/ruleSet'

/** What of a rig is not a part: the channel, the power, the height. */
export interface RigSettings {
  txMHz: number
  rxMHz: number | null
  powerW: number
  antennaHeightM: number
}

/** The sums of one port, each direction at its own frequency. */
export interface PortBudgets {
  tx: Budget
  rx: Budget
}

/** A rig with its parts looked up, its sums and its problems, port by port. */
export interface AssessedRig {
  placed: PlacedRig
  ports: (PortBudgets & { problems: KitProblem[] })[]
}

/** The sums of every port of a rig. */
export function budgetsOf(placed: PlacedRig, settings: RigSettings): PortBudgets[] {
  const { txMHz, powerW } = settings
  const rxMHz = settings.rxMHz ?? txMHz
  return placed.ports.map((port) => {
    const tx = budgetOf(placed, port, { frequencyMHz: txMHz, powerW })
    return { tx, rx: rxMHz === txMHz ? tx : budgetOf(placed, port, { frequencyMHz: rxMHz, powerW }) }
  })
}

/**
 * Does all the sums of a rig and looks for all that will not work.
 * @param parts the whole kit; adapters in it are those that may be put in
 * @param units what lengths in the messages are in
 */
export function assessRig(
  assembly: Assembly,
  settings: RigSettings,
  parts: readonly Part[],
  service: ServiceRule | null,
  units: Units = 'metric',
): AssessedRig {
  const placed = placeParts(assembly, parts)
  const { txMHz, powerW, antennaHeightM } = settings
  const rxMHz = settings.rxMHz ?? txMHz
  const ownedAdapters = parts.flatMap((p) => (p.kind === 'adapter' ? [{ part: p, free: p.owned }] : []))
  const ports = budgetsOf(placed, settings).map(({ tx, rx }, portIndex) => {
    const port = placed.ports[portIndex]!
    const at = { rig: placed, port, portIndex, txMHz, rxMHz, powerW, antennaHeightM, tx, rx, ownedAdapters }
    return { tx, rx, problems: problemsOf({ ...at, service, units }) }
  })
  return { placed, ports }
}

/** Figures for evening. Only a measured gain is known; a claimed one stays the question. Of two ports, the mean. */
function figuresOf(budgets: readonly Budget[]): RigFigures {
  const mean = (values: number[]) => values.reduce((s, v) => s + v, 0) / values.length
  const known = budgets.every((b) => b.gainSource === 'measured')
  return {
    antennaGainDbi: known ? mean(budgets.map((b) => b.gainDbi!)) : null,
    leadLossDb: mean(budgets.map((b) => b.lossDb)),
    ...(budgets.some((b) => b.swrAtAntenna !== null)
      ? { mismatchDb: mean(budgets.map((b) => b.lossDb - b.matchedLossDb)) }
      : {}),
    attenuatorDb: mean(budgets.map((b) => b.attenuatorDb)),
  }
}

/** What a prediction goes by beside the figures: of the first port, but for what the body takes of the freer one. */
function forPrediction(placed: PlacedRig, assembly: Assembly, budgets: readonly PortBudgets[]) {
  const [port] = placed.ports
  const { antenna = null, mount = null, mast = null, polarisation = null } = port ?? {}
  const claimed = statedDbi(antenna?.spec.claimedGain ?? null)
  const unsaid = mast === null && mount !== null && mount.spec.bodyLossDb === null
  const { azimuthDeg } = assembly.pose
  const tiltDeg = assembly.pose.tiltDeg ?? (mast === null ? (mount?.spec.tiltDeg ?? null) : null)
  return {
    sensitivityDbm: placed.radio ? sensitivityDbm(placed.radio.spec) : null,
    ...(unsaid ? {} : { bodyLossDb: Math.min(...budgets.map((b) => b.tx.bodyLossDb)) }),
    ...(claimed === null ? {} : { claimedGainDbi: claimed }),
    ...(mast === null && mount !== null ? { place: mount.spec.place } : {}),
    ...(polarisation === null ? {} : { polarisation }),
    ...(antenna?.spec.crossPolarDb == null ? {} : { crossPolarDb: antenna.spec.crossPolarDb }),
    ...(antenna && antenna.spec.pattern.length > 0 ? { pattern: antenna.spec.pattern } : {}),
    ...(azimuthDeg === null ? {} : { azimuthDeg }),
    ...(tiltDeg === null || tiltDeg === 0 ? {} : { tiltDeg }),
  }
}

/** What a trial compares a built rig by: its figures at both frequencies, and the steps that make them. */
export function figuresOfAssembly(assembly: Assembly, settings: RigSettings, parts: readonly Part[]) {
  const placed = placeParts(assembly, parts)
  const budgets = budgetsOf(placed, settings)
  const tx = figuresOf(budgets.map((b) => b.tx))
  const rx = figuresOf(budgets.map((b) => b.rx))
  const steps = budgets.flatMap((b) => b.tx.steps.map(({ name, db }) => ({ name, db })))
  const split = settings.rxMHz !== null && settings.rxMHz !== settings.txMHz
  return {
    ...tx,
    attenuatorAt: 'both ways' as const,
    ...(split ? { atRx: rx } : {}),
    ...forPrediction(placed, assembly, budgets),
    budget: steps,
  }
}
