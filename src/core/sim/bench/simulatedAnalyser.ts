import Complex from 'complex.js'
import { IDEAL_STANDARDS, sweepGrid } from '@/core/bench'
import { seededRandom } from '@/core/stats'
import { truth, type OnTheLead } from './onTheLead'

/** A one-port analyser that is none: its test port errs, drifts and is noisy, and it speaks as a real one does. */
export interface SimulatedAnalyser {
  /** Puts something on the end of its lead. */
  connect: (what: OnTheLead) => void
  /** Moves its lead, which makes the calibration stale. */
  moveLead: () => void
  /** One line said to it. @returns its answer, or null where there is none */
  say: (line: string) => string | null
}

const [FEWEST, MOST] = [2, 1601]
const NOISE = 4e-4
/** Of the directivity, a sweep. */
const DRIFT = 2e-5
const LEAD_PS = 3_400
const MOVED_PS = 60

/**
 * @param seed the same seed errs the same way
 */
export function simulatedAnalyser(seed: number): SimulatedAnalyser {
  const random = seededRandom(seed)
  const span = { fromMHz: 400, toMHz: 470, points: 201 }
  let [what, movedPs, sweeps, last]: [OnTheLead, number, number, string] = ['open', 0, 0, '']

  function throughPort(gamma: Complex, f: number): Complex {
    const turn = -4 * Math.PI * f * (LEAD_PS + movedPs) * 1e-6
    const e00 = new Complex({ abs: 0.05 + DRIFT * sweeps, arg: 0.9 + f / 140 })
    const e11 = new Complex({ abs: 0.07, arg: turn * 0.4 - 0.5 })
    const tracking = new Complex({ abs: 0.93 - f / 20_000, arg: turn })
    return e00.add(tracking.mul(gamma).div(new Complex(1, 0).sub(e11.mul(gamma))))
  }
  function sweep(): string {
    sweeps++
    const wobble = random.normal()
    const figures = sweepGrid(span).flatMap((f) => {
      const seen = throughPort(truth(what, IDEAL_STANDARDS, f, Math.max(-1, Math.min(1, wobble))), f)
      return [seen.re + NOISE * random.normal(), seen.im + NOISE * random.normal()]
    })
    return figures.map((v) => v.toFixed(7)).join(',')
  }
  function answer(command: string): string | null {
    const [, name = '', value = ''] = /^(\S+)\s*(.*)$/.exec(command.trim()) ?? []
    switch (name.toUpperCase()) {
      case '*IDN?':
        return 'Even Reach,Simulated one-port analyser,0,1'
      case 'SENS:FREQ:STAR':
        span.fromMHz = Number(value) / 1e6
        return null
      case 'SENS:FREQ:STOP':
        span.toMHz = Number(value) / 1e6
        return null
      case 'SENS:SWE:POIN':
        span.points = Math.min(MOST, Math.max(FEWEST, Math.round(Number(value))))
        return null
      case 'INIT:IMM':
        last = sweep()
        return null
      case '*OPC?':
        return '1'
      case 'CALC:DATA?':
        return last
      default:
        return '-113,"Undefined header"'
    }
  }
  return {
    connect: (next) => (what = next),
    moveLead: () => (movedPs += MOVED_PS),
    say: (line) =>
      line
        .split(';')
        .map(answer)
        .find((a) => a !== null) ?? null,
  }
}
