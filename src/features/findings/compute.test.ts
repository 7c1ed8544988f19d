import { expect, it } from 'vitest'
import { inputOf } from '@/core/findings'
import { loggedChecks } from '@/core/exchange'
import { testDay } from '@/data/testing/day'
import { defaultScale } from '@/core/reports'
import { checkOf, link as linkOf, mark, planWith, rig as rigOf } from '@/core/testing/plans'
import { foldEntries } from '@/core/trial'
import { testEntry } from '@/core/testing/entries'
import type { RunRow } from '@/data'
import { findingsOf, findingsThenLevels, poolOf } from './compute'
import { settingsFromParams } from './ruleParams'

const rig = (id: string, powerW = 2) => rigOf(id, { txMHz: 446, antennaHeightM: 1.5, powerW })
const link = (id: string, out = rig(id)) => ({ ...linkOf(out, rig('Z')), id })
const marks = Array.from({ length: 6 }, (_, i) => mark(`m${i}`, 300 * (i + 1)))
const plan = planWith({ links: [link('A')], marks })
const run = { id: 'r', plan, conditions: { imported: true, fixedBeforehand: true } } as unknown as RunRow

it('a rig described later changes what is evened, though no check has changed', () => {
  const added = testEntry({ kind: 'link', link: link('N', rig('N')), notAt: [], described: false })
  const checks = marks.flatMap((m, i) =>
    ['A', 'N'].map((linkId) => testEntry({ kind: 'check', ...checkOf(m.id, linkId, `5 by ${8 - i}`) })),
  )
  const told = testEntry(
    { kind: 'link', link: link('N', rig('strong', 20)), notAt: [], described: true },
    { supersedes: added.id },
  )
  const settings = settingsFromParams({}, plan)
  const evened = (entries: Parameters<typeof foldEntries>[0]) =>
    findingsOf(poolOf([{ row: run, log: foldEntries(entries) }], settings).input).pairs[0]!.evened!.estimate!
  const before = evened([added, ...checks])
  // Ten times the power is ten dB, which is taken out of N and so added to A less N.
  expect(evened([added, ...checks, told]) - before).toBeCloseTo(10, 6)
})

const spring = (attenuationDb = 0) => {
  const { day } = testDay()
  const logged = loggedChecks(day).map((c) => ({ ...c, attenuationDb }))
  return inputOf(day.plan, day.plan.marks, logged, true)
}

it('a page has its verdicts before the levels are worked out, and the same in the end', async () => {
  const input = spring()
  const { findings, levels } = findingsThenLevels(input)
  expect(findings.levels).toBeNull()
  const all = findingsOf(input)
  expect({ ...findings, levels: all.levels }).toEqual(all)
  expect(await levels).toEqual(all.levels)
  // Once worked out they come with the rest, under another copy rule too.
  const again = findingsThenLevels({ ...input, reliability: 0.5 })
  expect(again.findings.levels).not.toBeNull()
  expect(await again.levels).toEqual(again.findings.levels)
})

it('waits for the levels where distances rest on their slope', async () => {
  const { findings, levels } = findingsThenLevels(spring(10))
  expect(findings.attenuatedBySlope).toBe(findings.levels!.slope.estimate)
  expect(await levels).toBe(findings.levels)
})

it('keeps no place for levels where reports are words', async () => {
  const input = spring()
  const scale = defaultScale('readability')
  const { findings, levels } = findingsThenLevels({ ...input, scales: { base: scale, out: scale } })
  expect(findings.levels).toBeNull()
  const first = await Promise.race([levels, new Promise((resolve) => setTimeout(() => resolve('later'), 5))])
  expect(first).toBeNull()
})
