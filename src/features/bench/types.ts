import type { Band } from '@/core/kit'

/** A part of the kit, as the bench offers it. */
export interface BenchPart {
  id: string
  name: string
  /** Ids of measurements whose figures it has now. */
  goesBy: string[]
}

export interface BenchAntenna extends BenchPart {
  bands: Band[]
  lengthM: number | null
}

export interface BenchLead extends BenchPart {
  /** By the kit, m. */
  lengthM: number
  velocityFactor: number | null
}
