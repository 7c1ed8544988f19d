import { inputOf, seenMargins, type ToldLog } from '@/core/findings'
import type { ForecastBasis } from '@/core/findings/fieldForecast'
import { spreadsOf } from '@/core/reach/correction/learnCorrection'
import type { HonestCheck } from '@/core/reach/correction/leaveOut'
import {
  isPredicted,
  type Correction,
  type LegReachOnGround,
  type PlanGround,
  type StoppedGround,
} from '@/core/reach'
import { marksNow, planNow, standingChecks, type TrialPlan } from '@/core/trial'
import {
  countEntries,
  groundOf,
  listRuns,
  logOf,
  planOf,
  predictionOf,
  whileUnchanged,
  type Db,
  type OpenTrial,
  type RunRow,
} from '@/data'
import type { Soon } from '@/ui/answers/OnceKnown'
import { findingsThread } from './findingsThread'
import { keeper } from './keeper'
import { soon } from './soon'

/** A run of fewer checks teaches too little to be counted, and runs older than so many are left out. */
const [FEWEST, MOST_RUNS] = [8, 6]

/** A run that says something of its predictions. */
type ToldRun = ToldLog & { runId: string }

/** The newest few of them of a trial. */
function toldBy(db: Db, trialId: string, runs: readonly RunRow[]): ToldRun[] {
  const told: ToldRun[] = []
  for (const run of runs) {
    const log = logOf(db, run.id)
    if (log.state === 'voided' || standingChecks(log).length < FEWEST) continue
    const now = planNow(run.plan, log)
    const plan = { ...now, marks: marksNow(now, log) }
    const ground = groundOf(db, trialId, plan)
    if (!ground || ground.expected.length === 0) continue
    told.push({
      runId: run.id,
      input: inputOf(plan, plan.marks, log.checks, run.conditions.fixedBeforehand),
      ground: { ...withoutStops(ground), legs: [] },
    })
    if (told.length === MOST_RUNS) break
  }
  return told
}

/** What is made of the runs of a trial; made anew once an entry has come, or anything else has changed. */
function keptOf<T>(db: Db, trialId: string, what: string, make: (runs: RunRow[]) => T): T {
  const runs = listRuns(db, trialId)
  const kept = whileUnchanged(db, `${what} of ${trialId}`, () => keeper<{ made: T }>(1))
  return kept(runs.map(({ id }) => countEntries(db, id)).join(), () => ({ made: make(runs) })).made
}

const toldOf = (db: Db, trialId: string): ToldRun[] =>
  keptOf(db, trialId, 'told runs', (runs) => toldBy(db, trialId, runs))

/** What a thread makes of the runs of a trial; null before any, and where the ground is not known. */
const learntOf = <T>(db: Db, trialId: string, what: string, make: (told: ToldLog[]) => Promise<T | null>) =>
  keptOf(db, trialId, what, async () => {
    const told = toldOf(db, trialId)
    return told.length > 0 ? make(told) : null
  })

/** What the runs of a trial teach of its predictions; several pages ask for it. */
export const learntCorrection = (db: Db, trialId: string): Promise<Correction | null> =>
  learntOf(db, trialId, 'correction', (told) => findingsThread('corrections').correction(told))

/** How well the runs of a trial tell of one another; null where they teach nothing. */
export const honestlyChecked = (db: Db, trialId: string): Promise<HonestCheck | null> =>
  learntOf(db, trialId, 'honest check', (told) => findingsThread('corrections').honest(told))

/** What a trial's ground says of a plan. @param correction by its log; null of the ground by itself */
function planGround(
  db: Db,
  trialId: string,
  plan: TrialPlan,
  correction: Correction | null,
): PlanGround | null {
  const ground = groundOf(db, trialId, plan, correction)
  return ground && withoutStops(ground)
}

/** The same, corrected by the log where there is one. */
export const correctedGround = async (db: Db, trialId: string, plan: TrialPlan): Promise<PlanGround | null> =>
  planGround(db, trialId, plan, await learntCorrection(db, trialId))

/** The same, so that a page need not wait for what the log teaches: the ground by itself does until then. */
export const groundSoon = (db: Db, trialId: string, plan: TrialPlan): Promise<Soon<PlanGround | null>> =>
  soon(correctedGround(db, trialId, plan), () => planGround(db, trialId, plan, null))

const withoutStops = ({ stops: _stops, ...ground }: StoppedGround): PlanGround => ground

/**
 * How far each link of a trial is copied along its legs, over the legs' own ground, corrected by its log; both the
 * findings and the map of reach say it.
 * @param reliability of calls so many are to come through, 0 to 1
 */
export async function reachOnGround(
  db: Db,
  open: OpenTrial,
  reliability = open.trial.reliability,
): Promise<LegReachOnGround[]> {
  const { id } = open.trial
  return keptOf(db, id, `reach along legs at ${reliability}`, async () => {
    const plan = { ...planOf(open), marks: open.legs.flatMap((l) => l.marks) }
    const correction = await learntCorrection(db, id)
    const ground = groundOf(db, id, plan, correction)
    if (!ground) return []
    const { gains } = predictionOf(open.trial)
    return findingsThread('corrections').legs({
      legs: ground.stops,
      links: plan.links.filter(isPredicted),
      directions: plan.directions,
      reliability,
      correction,
      ...(gains && { gains }),
    })
  })
}

/** What a device needs to correct the prediction of a run by itself; null where nothing is predicted for its marks. */
export async function forecastBasis(db: Db, run: RunRow): Promise<ForecastBasis | null> {
  // Every device that opens a run asks for it, and walks no ground that was walked for another.
  const expected = whileUnchanged(
    db,
    `expected of ${run.id}`,
    () => groundOf(db, run.trialId, run.plan)?.expected ?? [],
  )
  if (expected.length === 0) return null
  const learnt = await learntCorrection(db, run.trialId)
  return {
    expected,
    seen: toldOf(db, run.trialId).flatMap((t) => (t.runId === run.id ? [] : seenMargins(t.input, t.ground))),
    learnt: learnt && { checks: learnt.checks, spreads: spreadsOf(learnt) },
  }
}
