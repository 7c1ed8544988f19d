import { median } from '@/core/stats/numeric/median'
import { cellMiddle } from '@/core/stats/scales/levelCell'
import { uniformRandom } from '@/core/stats/numeric/uniformRandom'
import type { FindingsInput, ReadCheck } from '../input'
import type { CellsById } from '../levels'

/** A link whose readings jump more than the others' at the same marks. */
export interface Erratic {
  linkId: string
  /** Median distance from what the others and its own mean let expect, dB; and that of the others. */
  own: number
  others: number
  p: number
  reports: number
}

const SHUFFLES = 999
const MIN = 8

/**
 * Which link jumps: how far each report lies from the mark's and the link's own means, link against the
 * others, by shuffling the links' names within marks (a permutation test, seeded). With two links neither can
 * be told from the other.
 * @returns links whose readings are at least half as far off again, at 1 in a hundred over all links
 */
export function erraticLinks(
  input: FindingsInput,
  checks: readonly ReadCheck[],
  cells: CellsById,
): Erratic[] {
  const rows = checks.flatMap((c) => {
    const cell = cells.get(c.id)
    const middle = cell ? cellMiddle(cell) : null
    return middle === null
      ? []
      : [{ link: c.linkId, block: `${c.markId} ${c.direction} ${c.runId ?? ''}`, y: middle }]
  })
  const links = input.links.map((l) => l.id).filter((id) => rows.filter((r) => r.link === id).length >= MIN)
  if (links.length < 3) return []
  // Median polish: marks and links are taken off in turn, so that one jump moves neither.
  const left = rows.filter((r) => links.includes(r.link)).map((r) => ({ ...r }))
  const polish = (keyOf: (r: (typeof left)[number]) => string) => {
    const groups = new Map<string, (typeof left)[number][]>()
    for (const r of left) groups.set(keyOf(r), [...(groups.get(keyOf(r)) ?? []), r])
    for (const g of groups.values()) {
      const m = median(g.map((r) => r.y))
      for (const r of g) r.y -= m
    }
  }
  for (let i = 0; i < 4; i++) {
    polish((r) => r.link)
    polish((r) => r.block)
  }
  const size = left.map((r) => Math.abs(r.y))
  const meanOf = (names: readonly string[], id: string, mine: boolean) => {
    let [sum, n] = [0, 0]
    names.forEach((name, i) => {
      if ((name === id) === mine) {
        sum += size[i]!
        n++
      }
    })
    return n > 0 ? sum / n : 0
  }
  const names = left.map((r) => r.link)
  const excess = (list: readonly string[], id: string) => meanOf(list, id, true) - meanOf(list, id, false)
  const seen = links.map((id) => excess(names, id))
  const beaten = links.map(() => 0)
  const random = uniformRandom(7)
  const blocks = new Map<string, number[]>()
  left.forEach((r, i) => blocks.set(r.block, [...(blocks.get(r.block) ?? []), i]))
  for (let s = 0; s < SHUFFLES; s++) {
    const shuffled = [...names]
    for (const at of blocks.values())
      random.shuffled(at).forEach((from, k) => (shuffled[at[k]!] = names[from]!))
    links.forEach((id, k) => {
      if (excess(shuffled, id) >= seen[k]!) beaten[k]!++
    })
  }
  return links.flatMap((linkId, k) => {
    const p = Math.min(1, (links.length * (beaten[k]! + 1)) / (SHUFFLES + 1))
    const [own, others] = [meanOf(names, linkId, true), meanOf(names, linkId, false)]
    return p <= 0.01 && own > 1.5 * others
      ? [{ linkId, own, others, p, reports: names.filter((n) => n === linkId).length }]
      : []
  })
}
