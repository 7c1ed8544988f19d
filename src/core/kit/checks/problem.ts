import type { Fix } from '../rig/fix'
import type { Budget } from '../budget/budget'
import type { PlacedPort, PlacedRig } from '../rig/assembly'
import type { OwnedAdapter } from '../parts/adapters'
import type { Units } from '@/core/units'
import type { ServiceRule } from '../rules/ruleSet'

/** What will not work, or not well. */
export interface KitProblem {
  code: string
  /** stops: it cannot work. harms: it can damage something or somebody. costs: it works worse. ask: not known. */
  weight: 'stops' | 'harms' | 'costs' | 'ask'
  /** The part or place it is about. */
  where: string
  message: string
  /** What would be right. */
  wayOut: string
  fix: Fix | null
}

/** All that the checks look at: one port of a rig with its sums at both frequencies. */
export interface CheckedPort {
  rig: PlacedRig
  port: PlacedPort
  portIndex: number
  txMHz: number
  rxMHz: number
  powerW: number
  antennaHeightM: number
  tx: Budget
  rx: Budget
  ownedAdapters: OwnedAdapter[]
  service: ServiceRule | null
  /** What lengths in the messages are in. */
  units: Units
}

export type KitCheck = (port: CheckedPort) => KitProblem[]

/** Both frequencies once each, with which direction it is. */
export function frequenciesOf({ txMHz, rxMHz }: CheckedPort): { frequencyMHz: number; side: string }[] {
  return txMHz === rxMHz
    ? [{ frequencyMHz: txMHz, side: 'the channel' }]
    : [
        { frequencyMHz: txMHz, side: 'the transmit side' },
        { frequencyMHz: rxMHz, side: 'the receive side' },
      ]
}
