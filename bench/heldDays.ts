// Some days of one shape, held against their truth: tsx bench/heldDays.ts SHAPE FROM TO prints their tally as JSON.
import { fitJoint, inputOf, readChecks } from '../src/core/findings'
import { sharedGround } from '../src/core/findings/cautions/sharedGround'
import { stepSeen } from '../src/core/findings/cautions/stepSeen'
import { jointDifference, unitOf, type JointFit } from '../src/core/findings/joint/jointFit'
import { ruleAt, type JointInput } from '../src/core/findings/joint/modelInput'
import { posteriorOf, Reaches, type Posterior } from '../src/core/model/answers'
import { CUT_APART_DB, DAY_SHAPES, dayOf, DIGITS_A_DB, type DayShape } from './days'
import { addHeld, noTally, type ShapeTally } from './heldTally'

/** The true mean of what one step of the list takes at a listener, dB: that of readability, or of digits put together. */
function stepDb({ model, readers }: JointInput, listener: number): number {
  const { read } = readers[listener]!
  const { steps } = model.listeners[listener]!
  const stepAt = (digit: number) => {
    const call = read({ state: 'heard', step: digit } as Parameters<typeof read>[0])
    return call?.kind === 'step' ? call.step : 0
  }
  let top = 0
  while (stepAt(top) < steps) top++
  return top / DIGITS_A_DB / (steps - 1)
}

/** How many dB one of what a difference is told in takes in truth. */
function unitDb(shape: DayShape, joint: JointFit, listeners: readonly number[]): number {
  const { unit } = unitOf(joint, listeners)
  if (unit === 'dB') return 1
  if (unit === 'none') return 10 * (shape.slope ?? 3.8)
  if (shape.says !== 'bare digits') return CUT_APART_DB
  return listeners.reduce((s, d) => s + stepDb(joint.input, d), 0) / listeners.length
}

/** The seeds of days with no difference begin here. */
const EQUALS = 500_000

function judged(shape: DayShape, seed: number, equal: boolean) {
  const day = dayOf(shape, seed, equal)
  const input = inputOf(day.plan, day.plan.marks, day.checks, true)
  const joint = fitJoint(input, readChecks(input).checks)!
  const listeners = [...input.directions.keys()]
  const [a, b] = input.links.map((l) => l.id) as [string, string]
  const found = jointDifference(input, joint, a, b, input.directions)!
  const difference = found.lgTimes ?? found.difference
  const pairs = (input.links.length * (input.links.length - 1)) / 2
  const sure = Math.max(difference.above, 1 - difference.above) >= 1 - 0.025 / pairs
  const better = sure ? (difference.above > 0.5 ? 0 : 1) : null
  return { day, input, joint, difference, better, unitDb: unitDb(shape, joint, listeners) }
}

/** Adds a day with a true difference, and one without. */
function addDay(t: ShapeTally, shape: DayShape, seed: number): void {
  t.days++
  if (judged(shape, seed + EQUALS, true).better !== null) t.betweenEquals++
  const { day, input, joint, difference, better, unitDb: unit } = judged(shape, seed, false)
  const { fit } = joint
  if (fit.quality.slower || fit.quality.poor) t.slower++
  const truth = day.gainDb[0]! - day.gainDb[1]!
  addHeld(t.difference, difference, truth / unit)
  if (better !== null) {
    if ((better === 0) === truth > 0) t.right++
    else t.wrong++
  }
  if (shape.onePlace) return
  const rules = joint.input.readers.map((r) => ruleAt(input.copyRule, r, null))
  // A log without readability asks only whether a call is heard, which is not the truth's rule.
  const alike = shape.says === 'heard or not' || joint.input.readers.every((r) => r.readability)
  if ((input.copyRule.minReadability ?? 1) > 1 && !alike) return
  const read = new Reaches(fit, rules)
  const warned = sharedGround(input, joint).length + stepSeen(joint).length > 0
  t.warned.of++
  if (warned) t.warned.days++
  for (const [p, key] of [
    [0.9, 'often'],
    [0.5, 'half'],
  ] as const) {
    const add = (reach: Posterior, truth: number) => {
      addHeld(t[key], reach, truth)
      if (!warned) addHeld(t.unwarned[key], reach, truth)
    }
    const usable = [0, 1].map((link) => {
      const alone = input.directions.map((direction, i) => {
        const reach = posteriorOf(fit, read.oneWay(link, i, p))
        add(reach, day.lgReach(link, direction as 'to base' | 'from base', p))
        return reach
      })
      if (alone.length === 1) return alone[0]!
      const both = posteriorOf(fit, read.bothWays(link, p))
      add(both, day.lgReach(link, 'both', p))
      return both
    })
    if (better !== null && usable[better]!.q50 < usable[1 - better]!.q50) t.contradictions++
  }
}

const [shape, from, to] = process.argv.slice(2).map(Number) as [number, number, number]
const tally = noTally()
for (let seed = from; seed <= to; seed++) addDay(tally, DAY_SHAPES[shape]!, seed)
console.log(JSON.stringify(tally))
