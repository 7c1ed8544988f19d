// Some days of one shape, held against their truth: tsx bench/heldDays.ts SHAPE FROM TO prints their tally as JSON.
import { fitJoint, inputOf, readChecks } from '../src/core/findings'
import { ruleAt } from '../src/core/findings/joint/modelInput'
import { differenceDraws, posteriorOf, Reaches } from '../src/core/model/answers'
import { DAY_SHAPES, dayOf, type DayShape } from './days'
import { addHeld, noTally, type ShapeTally } from './heldTally'

/** The seeds of days with no difference begin here. */
const EQUALS = 500_000

function judged(shape: DayShape, seed: number, equal: boolean) {
  const day = dayOf(shape, seed, equal)
  const input = inputOf(day.plan, day.plan.marks, day.checks, true)
  const { input: joint, fit } = fitJoint(input, readChecks(input).checks)!
  const listeners = [...input.directions.keys()]
  const difference = posteriorOf(fit, differenceDraws(fit, 0, 1, listeners))
  const pairs = (input.links.length * (input.links.length - 1)) / 2
  const sure = Math.max(difference.above, 1 - difference.above) >= 1 - 0.025 / pairs
  const better = sure ? (difference.above > 0.5 ? 0 : 1) : null
  return { day, input, joint, fit, difference, better }
}

/** Adds a day with a true difference, and one without. */
function addDay(t: ShapeTally, shape: DayShape, seed: number): void {
  t.days++
  if (judged(shape, seed + EQUALS, true).better !== null) t.betweenEquals++
  const { day, input, joint, fit, difference, better } = judged(shape, seed, false)
  if (fit.quality.slower || fit.quality.poor) t.slower++
  const truth = day.gainDb[0]! - day.gainDb[1]!
  addHeld(t.difference, difference, truth)
  if (better !== null) {
    if ((better === 0) === truth > 0) t.right++
    else t.wrong++
  }
  const rules = joint.readers.map((r) => ruleAt(input.copyRule, r, null))
  // A log without readability asks only whether a call is heard, which is not the truth's rule.
  if ((input.copyRule.minReadability ?? 1) > 1 && joint.readers.some((r) => !r.readability)) return
  const read = new Reaches(fit, rules)
  for (const [p, held] of [
    [0.9, t.often],
    [0.5, t.half],
  ] as const) {
    const usable = [0, 1].map((link) => {
      const alone = input.directions.map((direction, i) => {
        const reach = posteriorOf(fit, read.oneWay(link, i, p))
        addHeld(held, reach, day.lgReach(link, direction as 'to base' | 'from base', p))
        return reach
      })
      if (alone.length === 1) return alone[0]!
      const both = posteriorOf(fit, read.bothWays(link, p))
      addHeld(held, both, day.lgReach(link, 'both', p))
      return both
    })
    if (better !== null && usable[better]!.q50 < usable[1 - better]!.q50) t.contradictions++
  }
}

const [shape, from, to] = process.argv.slice(2).map(Number) as [number, number, number]
const tally = noTally()
for (let seed = from; seed <= to; seed++) addDay(tally, DAY_SHAPES[shape]!, seed)
console.log(JSON.stringify(tally))
