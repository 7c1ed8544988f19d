import type { SimulatedField } from '@/core/sim'

export interface RunSeed {
  name: string
  startedAt: string
  field: SimulatedField
  upTo: number
  end: { state: 'finished' | 'voided'; reason: string } | null
  note: string
}
