import { bad, good, problem, type Outcome } from '@/core/outcome'

/**
 * What is said to an analyser, and what it answers, in SCPI (the standard commands of programmable instruments, 1999):
 * one line a command, answers as text.
 */
export const ASK_WHO = '*IDN?'
/** Sweeps once and answers when it is done. */
export const ASK_SWEEP = 'INIT:IMM;*OPC?'
/** Complex figures, real and imaginary by turns, parted by commas. */
export const ASK_DATA = 'CALC:DATA? SDAT'

/** Lines that set a sweep. */
export const sweepLines = (span: { fromMHz: number; toMHz: number; points: number }): string[] => [
  `SENS:FREQ:STAR ${Math.round(span.fromMHz * 1e6)}`,
  `SENS:FREQ:STOP ${Math.round(span.toMHz * 1e6)}`,
  `SENS:SWE:POIN ${span.points}`,
]

/** Frequencies of a sweep in even steps, MHz. */
export const sweepGrid = (span: { fromMHz: number; toMHz: number; points: number }): number[] =>
  Array.from({ length: span.points }, (_, i) =>
    Number((span.fromMHz + ((span.toMHz - span.fromMHz) * i) / (span.points - 1)).toPrecision(12)),
  )

/** Reads what {@link ASK_DATA} answered. @param points how many were asked for */
export function readComplexData(text: string, points: number): Outcome<{ re: number[]; im: number[] }> {
  const words = text
    .trim()
    .split(/[\s,;]+/)
    .filter(Boolean)
  const figures = words.map(Number)
  const wrong = figures.findIndex((v) => !Number.isFinite(v))
  if (wrong >= 0)
    return bad(
      problem(
        'no-number',
        `figure ${wrong + 1}`,
        `The analyser sent "${words[wrong]!.slice(0, 20)}" where a number was expected. Sweep again.`,
      ),
    )
  if (figures.length !== 2 * points)
    return bad(
      problem(
        'length',
        'answer',
        `The analyser sent ${figures.length} figures for ${points} points; ${2 * points} were expected. Sweep again, or ask for fewer points.`,
      ),
    )
  return good({ re: figures.filter((_, i) => i % 2 === 0), im: figures.filter((_, i) => i % 2 === 1) })
}
