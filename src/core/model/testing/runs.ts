import { seededRandom } from '@/core/stats/numeric/seededRandom'
import type { Call, ModelInput, ModelReport } from '../reports'

/** What a test's run is made of, dB. */
export interface TestRun {
  marks: number
  links?: number
  listeners?: number
  repeats?: number
  seed?: number
  /** By link. */
  gainDb?: readonly number[]
  /** Strength is read off a display in whole dB; readability is left out. */
  display?: boolean
  /** Readability alone. */
  words?: boolean
  /** Level of all marks, dB; falling with distance where it is not given. */
  steadyDb?: number
}

const S9_DB = -93
const HEARD_DB = -113

/** A run of the model's own skeleton: what it is told of is what is in it. */
export function testRun(of: TestRun): ModelInput {
  const { marks: n, links = 2, listeners = 2, repeats = 1, seed = 1, gainDb = [], steadyDb } = of
  const random = seededRandom(seed)
  const marks = Array.from({ length: n }, (_, i) => {
    const distanceM = 300 + (6000 * i) / Math.max(1, n - 1)
    return { legId: 'a', distanceM, alongM: distanceM }
  })
  const reports: ModelReport[] = []
  let ground = 0
  marks.forEach(({ distanceM }, mark) => {
    ground = 0.7 * ground + 4 * random.normal()
    for (let link = 0; link < links; link++) {
      const own = 2 * random.normal()
      for (let listener = 0; listener < listeners; listener++)
        for (let k = 0; k < repeats; k++) {
          const middle =
            steadyDb ??
            -62 - 38 * Math.log10(distanceM / 300) + ground + own + (gainDb[link] ?? 0) + 8 * listener
          const level = middle + (steadyDb === undefined ? 2.5 * random.normal() : 0)
          reports.push({
            mark,
            link,
            listener,
            call: callAt(level, of, random.normal(), random.uniform()),
            count: 1,
          })
        }
    }
  })
  return {
    marks,
    links,
    listeners: Array.from({ length: listeners }, () => ({
      steps: of.display ? 1 : 5,
      readingErrorDb: of.display ? 0.5 : 1.5,
      counts: false,
    })),
    knownDb: Array.from({ length: links }, () => Array.from({ length: listeners }, () => 0)),
    reports,
  }
}

function callAt(level: number, { display, words }: TestRun, soft: number, even: number): Call {
  const over = level - HEARD_DB + soft
  if (over < 0) return { kind: 'not heard' }
  if (display) return { kind: 'strength', lowerDb: Math.round(level) - 0.5, upperDb: Math.round(level) + 0.5 }
  const step = Math.max(1, Math.min(5, 1 + Math.floor(over / 4.5)))
  if (words || even < 0.15) return { kind: 'step', step }
  const middle = S9_DB + 6 * Math.round((level - S9_DB) / 6)
  return { kind: 'step and strength', step, lowerDb: middle - 3, upperDb: middle + 3 }
}
