/** Whether a receiver shows what an attenuator takes. */
export interface OverloadCheck {
  verdict: 'linear' | 'compressed' | 'more than it took' | 'at the floor'
  /** What the reading fell by, dB. */
  shownDb: number
}

/** A step is right within a fifth of it, and within 1.5 dB where the step is small. */
const PART = 0.2
const LEAST_DB = 1.5

/**
 * A known attenuator must show in full: where 10 dB bring 6, the receiver was compressed and strong directions look
 * weaker than they are.
 * @param attenuatorDb above 0 @param withoutDb, withDb readings @param floor the second reading was at the floor
 */
export function overloadCheck(
  attenuatorDb: number,
  withoutDb: number,
  withDb: number,
  floor: boolean,
): OverloadCheck {
  const shownDb = withoutDb - withDb
  const off = Math.max(attenuatorDb * PART, LEAST_DB)
  if (shownDb < attenuatorDb - off) return { verdict: floor ? 'at the floor' : 'compressed', shownDb }
  return { verdict: shownDb > attenuatorDb + off ? 'more than it took' : 'linear', shownDb }
}
