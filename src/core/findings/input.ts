import { groupedBy } from '@/core/groupedBy'
import {
  knownDifferences,
  listenerOf,
  type Direction,
  type KnownDifference,
  type Link,
  type Listener,
} from '@/core/kit/rig/rig'
import { isCopied, type CopyRule } from '@/core/reports/copyRule'
import type { Reading } from '@/core/reports/reading'
import type { Scale } from '@/core/reports/scale'
import { checkReader } from '@/core/trial/checkReader'
import type { LoggedCheck } from '@/core/trial/foldEntries'
import type { Mark, TrialPlan } from '@/core/trial/plan'
import { USUAL_CHOICES, withStep, type Choices, type LeftOutChoice } from './choices'

/** A check, and the run it was made in; one run alone needs no name. */
export interface RunCheck extends LoggedCheck {
  runId?: string
}

/** All that findings are made from. */
export interface FindingsInput extends Choices {
  links: Link[]
  marks: Mark[]
  directions: Direction[]
  scales: Record<Listener, Scale>
  /** Runs put together, the first the one that the others are held against; empty for one alone. */
  runs: { id: string; name: string }[]
  controlLinkId: string | null
  copyRule: CopyRule
  /** The difference that would matter, dB. */
  marginDb: number
  /** How often a copy is wanted, 0 to 1. */
  reliability: number
  /** A reach that is needed, and one not to be exceeded, m; null for none. */
  need: { floorM: number | null; ceilingM: number | null }
  /** The number of marks was fixed before setting out and carried out; otherwise intervals must allow for stopping. */
  fixedBeforehand: boolean
  checks: RunCheck[]
}

/** A check with its report read in its listener's scale. */
export interface ReadCheck extends RunCheck {
  reading: Reading
}

export interface ReadChecks {
  checks: ReadCheck[]
  voided: LoggedCheck[]
  /** What the reader left out, by reason. */
  chosenOut: { choice: LeftOutChoice; checkIds: string[] }[]
}

/** Whether a check came through by the rule, asked what its listener's scale tells; null where it cannot be judged. */
export function isCopiedBy(
  input: Pick<FindingsInput, 'copyRule' | 'scales'>,
  check: ReadCheck,
): boolean | null {
  return isCopied(check.reading, check.calls, input.copyRule, input.scales[listenerOf(check.direction)])
}

/** Reads every standing check within the scale of its listener; voided ones and those left out are returned apart. */
export function readChecks(input: FindingsInput): ReadChecks {
  const voided = input.checks.filter((c) => c.voided !== null)
  const legOf = new Map(input.marks.map((m) => [m.id, m.legId]))
  const isOut = (c: RunCheck, { what, id }: LeftOutChoice) =>
    what === 'check' ? c.id === id : what === 'mark' ? c.markId === id : legOf.get(c.markId) === id
  const standing = input.checks.filter((c) => c.voided === null)
  const read = checkReader(input.scales)
  const checks = standing
    .filter((c) => !input.leftOut.some((choice) => isOut(c, choice)))
    .map((c) => ({
      ...c,
      reading: c.state === 'sent' ? ({ state: 'not graded', text: c.text } as const) : read(c),
    }))
  const chosenOut = input.leftOut.map((choice) => ({
    choice,
    checkIds: standing.filter((c) => isOut(c, choice)).map((c) => c.id),
  }))
  return { checks, voided, chosenOut }
}

/** Below 30 MHz, and farther than the ground carries: by way of the sky, where no reach is told. */
const SKY_MHZ = 30
const SKY_M = 100_000

/** Whether a log goes by way of the sky: its differences hold where and when they were logged, and tell no reach. */
export const isBySky = ({ links, marks }: Pick<FindingsInput, 'links' | 'marks'>): boolean =>
  links.some((l) => l.out.txMHz < SKY_MHZ) && marks.some((m) => m.distanceM > SKY_M)

export type ChecksByMark = ReadonlyMap<string, readonly ReadCheck[]>

/** Checks by the mark that they were made at. */
export const checksByMark = <T extends { markId: string }>(checks: readonly T[]): Map<string, T[]> =>
  groupedBy(checks, (c) => c.markId)

/** What is known of link A against link B in a direction and is to be taken out, as the reader chose. */
export function knownIn(
  input: Pick<FindingsInput, 'evening'>,
  a: Link,
  b: Link,
  direction: Direction,
): KnownDifference[] {
  return knownDifferences(a, b, direction, input.evening.includes('height')).filter((k) =>
    input.evening.includes(k.what),
  )
}

/** The input that a plan and its log make. */
export function inputOf(
  plan: TrialPlan,
  marks: Mark[],
  checks: RunCheck[],
  fixedBeforehand: boolean,
  copyRule: CopyRule = plan.copyRule,
  choices: Choices = USUAL_CHOICES,
): FindingsInput {
  const { links, directions, marginDb, reliability, controlLinkId, need } = plan
  const { base, out } = plan.scales
  const scales = { base: withStep(base, choices.unitStepDb), out: withStep(out, choices.unitStepDb) }
  return {
    links,
    marks,
    directions,
    scales,
    marginDb,
    reliability,
    need,
    copyRule,
    fixedBeforehand,
    checks,
    controlLinkId,
    runs: [],
    ...choices,
  }
}
