import { seededRandom } from '@/core/stats/numeric/seededRandom'
import { posteriorOf, Reaches } from '../answers'
import { fitModel } from '../fit'
import type { Call, ModelInput, ModelReport } from '../reports'
import { SAMPLING } from '../spreadSampling'

/** A small random log in which the first of two links is reported at least as well as the second at every mark. */
export function aheadEverywhere(seed: number): ModelInput {
  const random = seededRandom(seed)
  const marks = Array.from({ length: 5 + random.below(4) }, (_, i) => {
    const distanceM = 400 * (i + 1)
    return { legId: 'a', distanceM, alongM: distanceM }
  })
  const heard = (step: number): Call => (step < 1 ? { kind: 'not heard' } : { kind: 'step', step })
  const reports = marks.flatMap((_, mark): ModelReport[] => {
    const first = Math.min(5, Math.round(5 - 1.4 * mark * random.uniform() + random.normal()))
    const second = first - (random.uniform() < 0.4 ? 1 + random.below(2) : 0)
    return [first, second].map((step, link) => ({ mark, link, listener: 0, call: heard(step), count: 1 }))
  })
  const listeners = [{ steps: 5, readingErrorDb: 1.5, counts: false }]
  return { marks, links: 2, listeners, knownDb: [[0], [0]], reports }
}

const QUICK = { sampling: { ...SAMPLING, first: 30, second: 30, maxFurther: 0 }, draws: 1200 }

/** Where both are reported alike at every mark the medians differ by what so many draws err, lg. */
export const DRAWS_ERR = 0.02

/** lg of the first link's reach over the second's, in the median, at nine copies in ten and at one in two. */
export function aheadBy(input: ModelInput): number[] {
  const fit = fitModel(input, QUICK)
  const read = new Reaches(fit, [{ step: 3, levelDb: null, share: null, calls: 2 }])
  return [0.9, 0.5].map(
    (p) => posteriorOf(fit, read.oneWay(0, 0, p)).q50 - posteriorOf(fit, read.oneWay(1, 0, p)).q50,
  )
}
