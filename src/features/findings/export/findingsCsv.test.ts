import { describe, expect, it } from 'vitest'
import { breakdownOf, inputOf, makeFindings, prepareFindings } from '@/core/findings'
import { readCsvTable } from '@/core/formats'
import { ORDINARY_FIELD, simulateRun } from '@/core/sim'
import { link, logged, plan, rig } from '@/core/testing/plans'
import { byCsv, differencesCsv, reachesCsv } from './findingsCsv'

const links = [link(rig('a')), link(rig('b'))]
const p = plan(links, 24)
const field = {
  ...ORDINARY_FIELD,
  groundLossDb: 8,
  extraSlopeDb: 6,
  inWords: 0,
  seed: 5,
  gainDbi: { a: 0, b: 6 },
}
const input = inputOf(p, p.marks, logged(simulateRun(p, field)), true)
const prepared = prepareFindings(input)
const findings = makeFindings(input, prepared)
// A name with a comma and a quotation mark, as people give them.
const name = (id: string) => (id === 'a' ? 'Whip, the "old" one' : 'New whip')
const table = (text: string) => {
  const read = readCsvTable(text)
  if (!read.ok) throw new Error('no table')
  return read.value
}
const row = (t: ReturnType<typeof table>, i: number) =>
  Object.fromEntries(t.heading.map((h, k) => [h, t.rows[i]!.cells[k]]))

describe('findings for a spreadsheet', () => {
  it('differences: a row for each pair and direction, the interval about its estimate', () => {
    const t = table(differencesCsv(findings, name))
    expect(t.rows).toHaveLength(3)
    const both = row(t, 2)
    expect(both).toMatchObject({
      direction: 'both',
      a: 'Whip, the "old" one',
      b: 'New whip',
      verdict: 'better',
      better: 'New whip',
    })
    expect(Number(both.evened_low90_db)).toBeLessThan(Number(both.evened_db))
    expect(Number(both.evened_high90_db)).toBeGreaterThan(Number(both.evened_db))
    expect(Number(both.wins) + Number(both.draws) + Number(both.losses)).toBeLessThanOrEqual(24)
  })

  it('reaches: one for each link, direction and chance, open ends left empty', () => {
    const t = table(reachesCsv(findings, name))
    expect(t.rows).toHaveLength(2 * 2 * findings.reaches[0]!.reaches.length)
    for (const [i, r] of findings.reaches.flatMap((x) => x.reaches).entries())
      expect(row(t, i).low90_m).toBe(r.lowM === null ? '' : String(Math.round(r.lowM)))
  })

  it('by part of the log: every part of every pair, in dB as they are, with a plain minus that a spreadsheet reads', async () => {
    const { by } = await breakdownOf(input, prepared, null)
    const t = table(byCsv(by, name))
    expect(t.rows).toHaveLength(by.flatMap((b) => b.pairs.flatMap((x) => x.within)).length)
    expect(row(t, 0)).toMatchObject({ by: 'direction', part: 'to base', changes: 'false', flips: 'false' })
    expect(Number(row(t, 0).difference)).toBeLessThan(0)
    expect(row(t, 0).unit).toBe('dB')
  })
})
