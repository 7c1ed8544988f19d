import { describe, expect, it } from 'vitest'
import { cutDraws, differenceDraws, posteriorOf, slopeDraws, termDraws } from './answers'
import { fitModel, type ModelFit } from './fit'
import { CHECK_PRIORS, type Spreads } from './priors'
import type { Call, ModelInput } from './reports'
import { SAMPLING } from './spreadSampling'
import expected from './testing/reference/expected.json'
import onePlace from './testing/reference/onePlace.json'
import words from './testing/reference/words.json'

// The same model written down anew for a Hamiltonian Monte Carlo sampler (Stan 2.21 by rstan, two chains of 4,000 draws
// after 1,000, seed 3), every call's level an unknown of its own: words of ten on two legs in two runs; and six
// rounds of three links at one place, with the meter's step known and unknown. There the step's posterior is not
// its prior's: readability tells it.
type Raw = Omit<ModelInput, 'reports'> & { reports: unknown[] }

/** JSON has no infinity. */
const inputOf = (raw: unknown): ModelInput => {
  const read = raw as Raw
  return {
    ...read,
    reports: (read.reports as ModelInput['reports']).map((r) => ({ ...r, call: opened(r.call) })),
  }
}
const opened = (call: Call): Call =>
  'lowerDb' in call
    ? { ...call, lowerDb: call.lowerDb ?? -Infinity, upperDb: call.upperDb ?? Infinity }
    : call

const fitted = (input: ModelInput) =>
  fitModel(input, {
    priors: CHECK_PRIORS,
    sampling: { ...SAMPLING, first: 200, second: 400 },
    draws: 4000,
  })

const S9_DB = -93
const unknown = (input: ModelInput): ModelInput => ({
  ...input,
  listeners: input.listeners.map((l) => ({ ...l, stretchedBelowDb: S9_DB, readingErrorDb: 1.5 * (4.5 / 6) })),
  reports: input.reports.map((r) => ({ ...r, call: readBy(r.call, 4.5 / 6) })),
})
const readBy = (call: Call, by: number): Call =>
  'lowerDb' in call
    ? {
        ...call,
        lowerDb: call.lowerDb < S9_DB ? S9_DB + by * (call.lowerDb - S9_DB) : call.lowerDb,
        upperDb: call.upperDb < S9_DB ? S9_DB + by * (call.upperDb - S9_DB) : call.upperDb,
      }
    : call

const spread = (fit: ModelFit, key: keyof Spreads) => fit.draws.map((d) => fit.points[d.point]!.spreads[key])
const READ: Record<string, (fit: ModelFit) => ArrayLike<number>> = {
  'against the second': (f) => differenceDraws(f, 0, 1, [0]),
  'against the third': (f) => differenceDraws(f, 0, 2, [0]),
  slope: slopeDraws,
  'second run': (f) => termDraws(f, 0),
  'third cut': (f) => cutDraws(f, 0, 3),
  groundDb: (f) => spread(f, 'groundDb'),
  callDb: (f) => spread(f, 'callDb'),
  lapse: (f) => spread(f, 'lapse'),
}

const RUNS: [keyof typeof expected, ModelInput][] = [
  ['words', inputOf(words)],
  ['one place', inputOf(onePlace)],
  ['one place, step unknown', unknown(inputOf(onePlace))],
]

describe.each(RUNS)('%s, against another sampler', (name, input) => {
  const fit = fitted(input)
  it.each(Object.entries(expected[name]))('%s', (what, { mean, sd, low, high }) => {
    const found = posteriorOf(fit, READ[what]!(fit))
    // The other reads a stretched meter with the error of 6 dB steps.
    expect(Math.abs(found.mean - mean) / sd).toBeLessThan(name.endsWith('unknown') ? 0.25 : 0.2)
    expect(Math.abs(found.q05 - low) / sd).toBeLessThan(0.35)
    expect(Math.abs(found.q95 - high) / sd).toBeLessThan(0.45)
  })
})
