import type { Rig } from '@/core/kit'
import { andList } from '@/core/units'

type Named = Pick<Rig, 'id' | 'name'>

/** What stays the same and what changes among links, said with the ends. */
export function comparisonWords(links: readonly { base: Named; out: Named }[]): {
  stays: string
  changes: string
} {
  const of = (end: 'base' | 'out') => [...new Map(links.map((l) => [l[end].id, l[end].name])).values()]
  const [base, out] = [of('base'), of('out')]
  if (links.length === 0) return { stays: 'Nothing is chosen yet.', changes: 'Tick what is to be compared.' }
  if (links.length === 1)
    return { stays: `${base[0]} at the base, ${out[0]} out there.`, changes: 'Nothing but the distance.' }
  if (base.length === 1) return { stays: `${base[0]} at the base.`, changes: `Out there: ${andList(out)}.` }
  if (out.length === 1) return { stays: `${out[0]} out there.`, changes: `At the base: ${andList(base)}.` }
  return {
    stays: 'Neither end.',
    changes: `At the base: ${andList(base)}. Out there: ${andList(out)}.`,
  }
}
