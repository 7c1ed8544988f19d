import type { Link } from '@/core/kit'

/** What is set on the map in place of the kit's figures; null for as it is there. */
export interface SetOnMap {
  farM: number | null
  baseM: number | null
  /** Out there, W. */
  powerW: number | null
  frequencyMHz: number | null
}

export const UNSET: SetOnMap = { farM: null, baseM: null, powerW: null, frequencyMHz: null }

/** Whether all is as in the kit. */
export const isUnset = (set: SetOnMap) => Object.values(set).every((v) => v === null)

/** A link as it would be with what is set. */
export function asSet(link: Link, { farM, baseM, powerW, frequencyMHz }: SetOnMap): Link {
  const frequency = frequencyMHz === null ? {} : { txMHz: frequencyMHz, rxMHz: frequencyMHz }
  return {
    ...link,
    out: {
      ...link.out,
      ...frequency,
      ...(farM === null ? {} : { antennaHeightM: farM }),
      ...(powerW === null ? {} : { powerW }),
    },
    base: { ...link.base, ...frequency, ...(baseM === null ? {} : { antennaHeightM: baseM }) },
  }
}
