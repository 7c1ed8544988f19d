import { ALONE } from '@/core/model/byTwo'
import type { PlanGround } from '@/core/reach'
import { agreeing, type LinkContrasts } from '@/core/reach/correction/agree'
import type { Correction } from '@/core/reach/correction/correction'
import { learnCorrection } from '@/core/reach/correction/learnCorrection'
import { readChecks, type FindingsInput } from './input'
import { fitJoint } from './joint/jointFit'
import { linkContrasts } from './linkContrasts'
import { seenMargins } from './seenMargins'

/** A log, and the ground of its plan before any check. */
export interface ToldLog {
  input: FindingsInput
  ground: PlanGround
}

/** What logs say of the margins that were predicted for them. */
export const seenOf = (told: readonly ToldLog[]) =>
  told.flatMap(({ input, ground }) => seenMargins(input, ground))

/** How the joint model of a log says that links lie against one another; a fit of its own. */
export function contrastsOf({ input, ground }: ToldLog, helper = ALONE): LinkContrasts | null {
  const joint = fitJoint(input, readChecks(input).checks, { helper })
  return joint && linkContrasts(input, joint, ground)
}

/**
 * What logs teach of the predictions that were made for them, with links that lie against one another as the findings
 * of those logs say.
 * @param told the newest first
 * @param contrasts {@link contrastsOf}, or what is kept of it
 * @returns null where they say nothing of any prediction
 */
export function correctionOf(
  told: readonly ToldLog[],
  contrasts = (log: ToldLog) => contrastsOf(log),
): Correction | null {
  const correction = learnCorrection(seenOf(told))
  if (!correction || correction.links.length < 2) return correction
  return agreeing(
    correction,
    told.flatMap((log) => contrasts(log) ?? []),
  )
}
