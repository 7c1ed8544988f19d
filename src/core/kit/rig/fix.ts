import type { AdapterStep } from '../parts/adapters'

/** Something that one tap can mend. */
export type Fix =
  | { kind: 'turn round'; portIndex: number; key: string }
  | { kind: 'insert adapters'; portIndex: number; at: number; steps: AdapterStep[] }
  | { kind: 'set power'; powerW: number }
  | { kind: 'set antenna'; portIndex: number; key: string; setting: number }
  | { kind: 'set height'; heightM: number }
