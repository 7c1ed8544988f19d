import { expect, it } from 'vitest'
import { inputOf } from '@/core/findings'
import { loggedChecks } from '@/core/exchange'
import { testDay } from '@/data/testing/day'
import { defaultScale } from '@/core/reports'
import { checkOf, link as linkOf, mark, planWith, rig as rigOf } from '@/core/testing/plans'
import { foldEntries } from '@/core/trial'
import { testEntry } from '@/core/testing/entries'
import type { RunRow } from '@/data'
import { findingsApiWith } from '@/server/findings'
import { findingsOfRuns } from './compute'
import { settingsFromParams } from './ruleParams'

const rig = (id: string, powerW = 2) => rigOf(id, { txMHz: 446, antennaHeightM: 1.5, powerW })
const link = (id: string, out = rig(id)) => ({ ...linkOf(out, rig('Z')), id })
const marks = Array.from({ length: 6 }, (_, i) => mark(`m${i}`, 300 * (i + 1)))
const plan = planWith({ links: [link('A')], marks })
const run = { id: 'r', plan, conditions: { imported: true, fixedBeforehand: true } } as unknown as RunRow

it('a rig described later changes what is evened, though no check has changed', async () => {
  const added = testEntry({ kind: 'link', link: link('N', rig('N')), notAt: [], described: false })
  const checks = marks.flatMap((m, i) =>
    ['A', 'N'].map((linkId) => testEntry({ kind: 'check', ...checkOf(m.id, linkId, `5 by ${8 - i}`) })),
  )
  const told = testEntry(
    { kind: 'link', link: link('N', rig('strong', 20)), notAt: [], described: true },
    { supersedes: added.id },
  )
  const settings = settingsFromParams({}, plan)
  const evened = async (entries: Parameters<typeof foldEntries>[0]) =>
    (await findingsOfRuns([{ row: run, log: foldEntries(entries) }], settings)).pairs[0]!.evened!.estimate!
  const before = await evened([added, ...checks])
  // Ten times the power is ten dB, which is taken out of N and so added to A less N.
  expect((await evened([added, ...checks, told])) - before).toBeCloseTo(10, 0)
})

it('what was asked before is kept, until a log is another one or something else is chosen', async () => {
  const checks = marks.flatMap((m, i) =>
    ['A', 'B'].map((linkId) => testEntry({ kind: 'check', ...checkOf(m.id, linkId, `5 by ${8 - i}`) })),
  )
  const row = { ...run, plan: planWith({ links: [link('A'), link('B', rig('B'))], marks }) }
  const log = foldEntries(checks)
  const settings = settingsFromParams({}, row.plan)
  const first = await findingsOfRuns([{ row, log }], settings)
  expect(await findingsOfRuns([{ row: { ...row }, log }], { ...settings })).toBe(first)
  const grown = foldEntries([...checks, testEntry({ kind: 'check', ...checkOf('m0', 'A', '5 by 1') })])
  expect((await findingsOfRuns([{ row, log: grown }], settings)).checks).toBe(first.checks + 1)
  const often = await findingsOfRuns([{ row, log }], { ...settings, reliability: 0.5 })
  expect(often).not.toBe(first)
  const wider = {
    ...row,
    plan: { ...row.plan, marks: marks.map((m) => ({ ...m, distanceM: 2 * m.distanceM })) },
  }
  expect(await findingsOfRuns([{ row: wider, log }], settings)).not.toBe(first)
})

const spring = () => {
  const { day } = testDay()
  return inputOf(day.plan, day.plan.marks, loggedChecks(day), true)
}

it('another copy rule is read from the same draws', () => {
  const input = spring()
  const first = findingsApiWith().findings(input)
  const again = findingsApiWith().findings({
    ...input,
    reliability: 0.5,
    copyRule: { ...input.copyRule, minReadability: 4 },
  })
  expect(again.pairs.map((p) => p.evened)).toEqual(first.pairs.map((p) => p.evened))
  expect(again.reaches).not.toEqual(first.reaches)
})

it('keeps no place for levels where reports are words', () => {
  const input = spring()
  const scale = defaultScale('readability')
  const findings = findingsApiWith().findings({ ...input, scales: { base: scale, out: scale } })
  expect(findings.levels).toBeNull()
})
