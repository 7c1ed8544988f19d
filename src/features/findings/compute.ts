import { createHash } from 'node:crypto'
import {
  basisOf,
  breakdownOf,
  cellsIn,
  chancesOf,
  comparePairs,
  fitRunLevels,
  levelFindings,
  makeFindings,
  NO_LEVELS,
  poolRuns,
  restsOnLevels,
  tellLevels,
  type Breakdown,
  type Findings,
  type FindingsInput,
  type LevelFindings,
  type Pool,
  type Prepared,
  type RunEvent,
  type RunPart,
} from '@/core/findings'
import type { PlanGround } from '@/core/reach'
import { marksNow, planNow, standingChecks, type RunLog } from '@/core/trial'
import type { RunRow } from '@/data'
import type { Settings } from './ruleParams'

const MAX_CACHE = 24

/** The newest few results by what they were made from. */
function keeper<T>() {
  const kept = new Map<string, T>()
  return {
    has: (key: string) => kept.has(key),
    get(key: string, make: () => T): T {
      const old = kept.get(key)
      if (old !== undefined) return old
      const made = make()
      kept.set(key, made)
      if (kept.size > MAX_CACHE) kept.delete(kept.keys().next().value!)
      return made
    },
  }
}

const pairsBy = keeper<Prepared['pairs']>()
const levelsBy = keeper<Prepared['levels']>()
const breakdownBy = keeper<Promise<Breakdown>>()

/** Lets whatever else the server was asked go first. */
const othersFirst = () => new Promise<void>((resolve) => setImmediate(resolve))

const hash = (value: unknown) => createHash('sha256').update(JSON.stringify(value)).digest('hex')

/** All that is prepared from, whatever of it changes: checks, links described later, marks measured later. */
function keyOf(input: FindingsInput): string {
  const { copyRule: _rule, marginDb: _margin, reliability: _often, ...log } = input
  return hash(log)
}

export interface RunWithLog {
  row: RunRow
  log: RunLog
}

function partOf({ row, log }: RunWithLog, settings: Settings): RunPart {
  const reached = new Set([...standingChecks(log), ...log.skipped].map((c) => c.markId))
  const carriedOut = row.conditions.imported || row.plan.marks.every((m) => reached.has(m.id))
  const { marginDb, reliability } = settings
  const plan = { ...planNow(row.plan, log), marginDb, reliability }
  return {
    id: row.id,
    name: row.name,
    plan,
    marks: marksNow(plan, log),
    checks: log.checks,
    fixedBeforehand: row.conditions.fixedBeforehand && carriedOut,
  }
}

/** The runs that a reader chose, as one input; the first of them is the one shown. */
export function poolOf(runs: readonly RunWithLog[], settings: Settings): Pool {
  return poolRuns(
    runs.map((r) => partOf(r, settings)),
    settings.rule,
    settings.choices,
  )
}

/** What is prepared of an input, each part when it is asked for; the log is named and read once for both. */
function preparing(input: FindingsInput) {
  const key = keyOf(input)
  let read: ReturnType<typeof cellsIn> | null = null
  const log = () => (read ??= cellsIn(input))
  return {
    log,
    levelsKept: levelsBy.has(key),
    pairs: () => pairsBy.get(key, () => comparePairs(input, log().checks, log().sets)),
    levels: () => levelsBy.get(key, () => fitRunLevels(input, log().checks, log().sets)),
  }
}

type Preparing = ReturnType<typeof preparing>

const all = (parts: Preparing): Prepared => ({ pairs: parts.pairs(), levels: parts.levels() })

const prepared = (input: FindingsInput) => all(preparing(input))

/**
 * Findings of an input under what the reader has chosen. The comparisons do not depend on it and are kept, so
 * that turning a knob answers at once.
 */
export const findingsOf = (input: FindingsInput): Findings => makeFindings(input, prepared(input))

const LOOK_EVERY_MS = 20
const MAX_WAIT_MS = 3000

/** When this thread has had nothing to do for a moment: by then a page has been sent as far as it is known. */
async function whenQuiet(): Promise<void> {
  const start = performance.now()
  for (let quiet = 0; quiet < 3 && performance.now() - start < MAX_WAIT_MS;) {
    const asked = performance.now()
    await new Promise<void>((resolve) => setTimeout(resolve, LOOK_EVERY_MS))
    quiet = performance.now() - asked < 1.6 * LOOK_EVERY_MS ? quiet + 1 : 0
  }
}

/**
 * Findings for a page: the verdicts at once, and what the levels say as soon as it is known, which takes
 * longest the first time. Where sentences rest on the levels, or nothing can be said of them, there is
 * nothing to wait for apart.
 */
export function findingsThenLevels(input: FindingsInput): {
  findings: Findings
  levels: Promise<LevelFindings | null>
} {
  const parts = preparing(input)
  if (parts.levelsKept || !tellLevels(input) || restsOnLevels(input, parts.log().checks)) {
    const findings = makeFindings(input, all(parts))
    return { findings, levels: Promise.resolve(findings.levels) }
  }
  const levels = whenQuiet().then(() =>
    levelFindings(input, parts.log().checks, parts.levels(), chancesOf(input)),
  )
  return { findings: makeFindings(input, { pairs: parts.pairs(), levels: NO_LEVELS }), levels }
}

/** What other stations said in these runs, and what was written down of the conditions. */
const besideChecks = (runs: readonly RunWithLog[]): RunEvent[] =>
  runs.flatMap(({ row, log }) =>
    log.events
      .filter((e) => e.body.kind === 'station' || e.body.kind === 'conditions')
      .map((e) => ({ ...e, runId: row.id })),
  )

/** What a reader's own machine works the causes out from; the comparisons were made for the page already. */
export function breakdownInputOf(runs: readonly RunWithLog[], settings: Settings, ground: PlanGround | null) {
  const { input } = poolOf(runs, settings)
  return { input, basis: basisOf(prepared(input)), ground, events: besideChecks(runs) }
}

export type BreakdownInput = ReturnType<typeof breakdownInputOf>

/**
 * What lies behind the findings of the same runs under the same choices, worked out here; others are answered
 * meanwhile.
 */
export function breakdownOfRuns(
  runs: readonly RunWithLog[],
  settings: Settings,
  ground: PlanGround | null,
): Promise<Breakdown> {
  const { input } = poolOf(runs, settings)
  const events = besideChecks(runs)
  return breakdownBy.get(hash([input, ground?.expected ?? null, events]), () =>
    breakdownOf(input, prepared(input), ground, events, othersFirst),
  )
}
