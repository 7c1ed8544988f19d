import { useState } from 'react'
import { numberIn, numberProblem } from './NumberBox'

/** One number of a form: its label, its unit, the bounds it must keep to. */
export interface NumberSpec {
  label: string
  unit?: string
  bounds: { above?: number; min?: number; max?: number }
  help?: string
}

/** What a form says in place of a result while a field is wrong. */
export const CORRECT_FIRST = 'Correct the fields marked, and the answer comes back.'

/**
 * The numbers of a form as they are typed, what is wrong with each, and their values.
 * @param used the fields that count now; all of them if left out
 */
export function useNumbers<F extends string>(
  specs: Record<F, NumberSpec>,
  start: Record<F, string>,
  used: readonly F[] = Object.keys(specs) as F[],
) {
  const [texts, setTexts] = useState(start)
  const problems = Object.fromEntries(
    used.map((f) => [f, numberProblem(texts[f], specs[f].bounds, specs[f].unit)]),
  ) as Partial<Record<F, string | null>>
  return {
    texts,
    problems,
    /** Every field that counts holds a number within its bounds. */
    ok: used.every((f) => problems[f] === null),
    /** The number in a field; nought where there is none. */
    n: (f: F) => numberIn(texts[f]) ?? 0,
    set: (change: Partial<Record<F, string>>) => setTexts((old) => ({ ...old, ...change })),
    /** What a field's box is given. */
    box: (f: F) => ({
      label: specs[f].label,
      unit: specs[f].unit,
      helperText: specs[f].help,
      value: texts[f],
      problem: problems[f] ?? null,
      onChange: (text: string) => setTexts((old) => ({ ...old, [f]: text })),
    }),
  }
}
