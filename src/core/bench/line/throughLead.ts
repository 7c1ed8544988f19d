import { gammaOfReturnLoss } from '@/core/rf'

/** A return loss at the antenna, seen through a lead: what the lead takes on the way out and back is taken off. */
export interface AtAntenna {
  returnLossDb: number
  /** Size of the reflection at the antenna. */
  size: number
}

/**
 * What is measured at the near end of a lead, as it is at the antenna.
 * @param seenDb measured return loss, dB, 0 or more @param leadDb loss of the lead one way, 0 or more
 * @returns null where the lead alone would send back less: its loss is put too high
 * @example atAntenna(16, 3) // 10 dB: SWR 1.4 seen, 1.9 at the antenna
 */
export function atAntenna(seenDb: number, leadDb: number): AtAntenna | null {
  const db = seenDb - 2 * leadDb
  return db < 0 ? null : { returnLossDb: db, size: gammaOfReturnLoss(db) }
}

/** The highest SWR that can be seen through a lead, whatever is at its far end. @param leadDb one way, above 0 */
export const highestSeen = (leadDb: number) => {
  const size = gammaOfReturnLoss(2 * leadDb)
  return (1 + size) / (1 - size)
}
