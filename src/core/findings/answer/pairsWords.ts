import { everyPair } from '@/core/everyPair'
import { holm } from '@/core/stats/exact/holm'
import type { Findings } from '../findings'
import type { JudgedPair } from '../compare/verdict'
import { countText } from '@/core/units'
import { marksWanted, takenOut, verdictWords } from '../words/words'

/** Pairs of the whole: both directions together, or the one there is. */
export function headlinePairs({ pairs }: Findings): JudgedPair[] {
  const scopes = new Set(pairs.map((p) => p.scope))
  const whole = scopes.has('both') ? 'both' : [...scopes][0]
  return pairs.filter((p) => p.scope === whole)
}

/**
 * Whether a link of the order is surely ahead of another: by the verdict of their pair where nothing is taken out of
 * it, so that the order never says more than the verdict; else by the order's own draws, all pairs adjusted together.
 */
export function surely(
  { standings }: Findings,
  pairs: readonly JudgedPair[],
): (row: number, column: number) => boolean {
  if (!standings) return () => false
  const { links, ahead } = standings
  const all = everyPair(links.map((_, i) => i))
  const adjusted = holm(all.map(([i, k]) => 2 * Math.min(ahead[i]![k]!, 1 - ahead[i]![k]!)))
  const told = new Map(all.map(([i, k], n) => [`${i} ${k}`, adjusted[n]! < 0.05]))
  return (row, column) => {
    const [a, b] = [links[row]!.linkId, links[column]!.linkId]
    const pair = pairs.find((p) => (p.a === a && p.b === b) || (p.a === b && p.b === a))
    const even = pair !== undefined && takenOut(pair) === ''
    if (even && pair.verdict.kind !== 'better') return false
    return ahead[row]![column]! > 0.5 && told.get(row < column ? `${row} ${column}` : `${column} ${row}`)!
  }
}

/** How many of the pairs are told apart, or alike: "13 of 28 pairs are told apart." */
export function toldWords(pairs: readonly JudgedPair[]): string {
  const told = pairs.filter((p) => p.verdict.kind !== 'cannot tell').length
  return told === pairs.length
    ? `All ${pairs.length} pairs are told apart.`
    : `${told} of ${countText(pairs.length, 'pair')} ${told === 1 ? 'is' : 'are'} told apart.`
}

/** What would settle the pairs that are open, the nearest of them first; null where none is foreseen. */
export function settleWords(pairs: readonly JudgedPair[], name: (id: string) => string): string | null {
  const open = pairs
    .flatMap((pair) => {
      const wanted = marksWanted(pair)
      return wanted === null ? [] : [{ pair, wanted }]
    })
    .sort((a, b) => a.wanted - b.wanted)
  const first = open[0]
  if (!first) return null
  const { pair, wanted } = first
  return `About ${countText(wanted, pair.joint?.onePlace ? 'more round' : 'more mark')} would settle ${name(pair.a)} against ${name(pair.b)}.`
}

/** The pairs between neighbours in an order, in their own words. */
export function neighbourWords(
  order: readonly string[],
  pairs: readonly JudgedPair[],
  name: (id: string) => string,
): string[] {
  return order.slice(1).flatMap((b, i) => {
    const a = order[i]!
    const pair = pairs.find((p) => (p.a === a && p.b === b) || (p.a === b && p.b === a))
    if (!pair) return []
    const out = takenOut(pair)
    const { lead } = verdictWords(pair, name)
    return [out ? `With ${out} taken out, ${lead.replace(/^Cannot/, 'cannot')}.` : `${lead}.`]
  })
}
