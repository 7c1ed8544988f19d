// How well a prediction that the log has corrected tells a leg that the log has not seen, over simulated fields, beside the
// prediction alone and beside a law of distance that learnt from the same log. npm run corrected -- 200
import { correctedBy } from '../src/core/reach/correction/correction'
import { learnCorrection } from '../src/core/reach/correction/learnCorrection'
import { field, LEGS } from './simulatedField'
import { BENCHMARKS, writeTable } from './table'

/** What falls with distance as over plane earth, and knows nothing of the ground. */
const law = (distanceM: number) => 60 - 40 * Math.log10(distanceM / 300)

const fields = Number(process.argv[2] ?? 200)
const sums = { alone: 0, law: 0, corrected: 0, held: 0, count: 0 }
for (let seed = 1; seed <= fields; seed++) {
  const { seen, truth } = field(seed)
  for (let leg = 0; leg < LEGS; leg++) {
    const told = seen.filter((s) => s.leg !== leg)
    const corrected = learnCorrection(told)
    const byLaw = learnCorrection(told.map((s) => ({ ...s, predictedDb: law(s.distanceM) })))
    if (!corrected || !byLaw) continue
    for (const { spot, key, direction, predicted, margin } of truth) {
      if (spot.leg !== leg) continue
      const by = correctedBy(corrected, key, direction, spot, spot.distanceM)
      const fitted = law(spot.distanceM) + correctedBy(byLaw, key, direction, spot, spot.distanceM).db
      sums.alone += (margin - predicted) ** 2
      sums.law += (margin - fitted) ** 2
      sums.corrected += (margin - predicted - by.db) ** 2
      if (Math.abs(margin - predicted - by.db) < 1.645 * by.placeSdDb) sums.held++
      sums.count++
    }
  }
}
const rms = (sum: number) => `${Math.sqrt(sum / sums.count).toFixed(1)} dB`
writeTable(
  BENCHMARKS,
  'corrected',
  ['a leg that the log has not seen', 'measured', 'wanted'],
  [
    ['the prediction alone, root mean square error', rms(sums.alone), ''],
    ['a law of distance fitted to the same log', rms(sums.law), ''],
    [
      'the prediction corrected by the log',
      rms(sums.corrected),
      '30 % below the prediction alone, no worse than the law',
    ],
    ['its 90 % intervals hold', `${((100 * sums.held) / sums.count).toFixed(0)} %`, '87 to 95 %'],
  ],
)
