import { describe, expect, it } from 'vitest'
import { defaultScale } from '@/core/reports'
import { testEntry } from '@/core/testing/entries'
import { checkOf, link, mark, planWith, rig, RS } from '@/core/testing/plans'
import { foldEntries, type Entry } from '@/core/trial'
import { expectedChance } from '../hints/expected'
import { LOG_PROTOCOL } from '@/core/trial'
import type { RunPack } from '../log/runPack'
import { NOTHING_WRITTEN, sheetRows, writtenBody, writtenProblem, type SheetRow } from './sheetRows'

const plan = planWith({
  links: ['A', 'B'].map((id) => link(rig(id), rig('H'))),
  marks: [mark('s1', 100), mark('s2', 400)].map((m) => ({ ...m, legId: 'shore', bearingDeg: 90 })),
  directions: ['to base', 'from base'],
  scales: { base: RS, out: defaultScale('heard') },
})
const logged = testEntry({ kind: 'check', ...checkOf('s1', 'A', '5 by 7') })
const rows = sheetRows(plan, foldEntries([logged]))
const row = (markId: string, linkId: string, direction: string): SheetRow =>
  rows.find((r) => r.check.markId === markId && r.check.linkId === linkId && r.check.direction === direction)!

describe('the log sheet', () => {
  it('is a line for each check in the order of making, with what is logged already', () => {
    expect(rows).toHaveLength(8)
    expect(rows.map((r) => r.check.markId)).toEqual(['s1', 's1', 's1', 's1', 's2', 's2', 's2', 's2'])
    expect(row('s1', 'A', 'to base').logged).toBe('5 by 7')
    expect(row('s1', 'B', 'to base').logged).toBeNull()
    expect(rows[0]).toMatchObject({ letter: 'A', linkName: 'Rig A' })
  })
  it('says which were skipped', () => {
    const keys = [{ markId: 's2', linkId: 'B', direction: 'to base' as const, repeat: 1 }]
    const skip: Entry = {
      ...logged,
      id: '01970000-0000-7000-8000-000000000002',
      body: { kind: 'skip', keys, reason: '' },
    }
    const after = sheetRows(plan, foldEntries([logged, skip]))
    expect(after.find((r) => r.check.markId === 's2' && r.check.linkId === 'B')!.logged).toBe('skipped')
  })
  it.each([
    ['5 by 7', '', '', null],
    ['', '', '', null],
    ['no copy', '3', 'rain', null],
    ['55 to 59', '', '', null],
    ['rather loud', '', '', 'Not read'],
    ['', '', 'rain', 'A remark without a report'],
    ['5 by 7', '0', '', 'Calls go from 1 to 99'],
    ['5 by 7', 'two', '', 'Calls go from 1 to 99'],
  ])('report %j, calls %j, remark %j', (report, calls, remark, problem) => {
    const said = writtenProblem(plan, row('s1', 'B', 'to base'), { report, calls, remark })
    if (problem === null) expect(said).toBeNull()
    else expect(said).toContain(problem)
  })
  it('reads each direction in its own listener’s scale', () => {
    const written = { ...NOTHING_WRITTEN, report: '5 by 7' }
    expect(writtenProblem(plan, row('s1', 'B', 'to base'), written)).toBeNull()
    expect(writtenProblem(plan, row('s1', 'B', 'from base'), written)).toContain('Not read')
  })
  it('becomes the entry that a tap would have made', () => {
    const body = writtenBody(row('s2', 'B', 'to base'), { report: ' 44 ', calls: '', remark: ' hum ' })
    expect(body).toEqual({
      kind: 'check',
      markId: 's2',
      linkId: 'B',
      direction: 'to base',
      repeat: 1,
      text: '44',
      calls: 1,
      remark: 'hum',
      state: 'graded',
    })
  })
})

describe('what was expected of a check', () => {
  const pack: RunPack = {
    protocol: LOG_PROTOCOL,
    runId: 'r',
    trialId: 't',
    runName: 'R',
    startedAt: '2026-05-16T08:00:00Z',
    plan,
    ground: {
      baseGroundM: 4,
      baseAntennaM: 8,
      correctedBy: null,
      expected: [],
      legs: [
        {
          legId: 'shore',
          legName: 'Shore',
          ground: [],
          marks: [],
          knownToM: null,
          chances: {
            'H A': [
              { distanceM: 100, chance: 0.98 },
              { distanceM: 380, chance: 0.4 },
            ],
          },
        },
      ],
    },
  }
  it('is the pack’s chance nearest to the mark', () => {
    expect(expectedChance(pack, 'A', 's1')).toBe(0.98)
    expect(expectedChance(pack, 'A', 's2')).toBe(0.4)
  })
  it('is not known without ground, for a mark that was added, or for a link without a curve', () => {
    expect(expectedChance({ ...pack, ground: null }, 'A', 's1')).toBeNull()
    expect(expectedChance(pack, 'A', 'added')).toBeNull()
    expect(expectedChance(pack, 'B', 's1')).toBeNull()
  })
})
