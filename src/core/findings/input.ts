import type { Direction, Link, Listener } from '@/core/kit/rig'
import type { CopyRule } from '@/core/reports/copyRule'
import { readReport } from '@/core/reports/readReport'
import type { Reading } from '@/core/reports/reading'
import type { Scale } from '@/core/reports/scale'
import { listenerOf } from '@/core/kit/rig'
import type { LoggedCheck } from '@/core/trial/foldEntries'
import type { Mark, TrialPlan } from '@/core/trial/plan'

/** All that findings are made from. */
export interface FindingsInput {
  links: Link[]
  marks: Mark[]
  directions: Direction[]
  scales: Record<Listener, Scale>
  copyRule: CopyRule
  /** The difference that would matter, dB. */
  marginDb: number
  /** The number of marks was fixed before setting out and carried out; otherwise intervals must allow for stopping. */
  fixedBeforehand: boolean
  checks: LoggedCheck[]
}

/** A check with its report read in its listener's scale. */
export interface ReadCheck extends LoggedCheck {
  reading: Reading
}

/** Reads every standing check within the scale of its listener; voided checks are returned apart. */
export function readChecks(input: FindingsInput): { checks: ReadCheck[]; voided: LoggedCheck[] } {
  const voided = input.checks.filter((c) => c.voided !== null)
  const checks = input.checks
    .filter((c) => c.voided === null)
    .map((c) => ({
      ...c,
      reading:
        c.state === 'sent'
          ? ({ state: 'not graded', text: c.text } as const)
          : readReport(c.text, input.scales[listenerOf(c.direction)]),
    }))
  return { checks, voided }
}

/** The input that a plan and its log make. */
export function inputOf(
  plan: TrialPlan,
  marks: Mark[],
  checks: LoggedCheck[],
  fixedBeforehand: boolean,
  copyRule: CopyRule = plan.copyRule,
): FindingsInput {
  const { links, directions, scales, marginDb } = plan
  return { links, marks, directions, scales, marginDb, copyRule, fixedBeforehand, checks }
}
