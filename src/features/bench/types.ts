import type { Band } from '@/core/kit'

/** An antenna of the kit, as the bench offers it. */
export interface BenchAntenna {
  id: string
  name: string
  bands: Band[]
  lengthM: number | null
  /** Ids of measurements whose figures it has now. */
  goesBy: string[]
}

/** In a list to choose from, the choice of no antenna. */
export const NONE = 'none'
