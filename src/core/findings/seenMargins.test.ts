import { describe, expect, it } from 'vitest'
import { linkKey, type PlanGround } from '@/core/reach'
import { checkOf, link, mark as markAt, planWith, rig } from '@/core/testing/plans'
import { asLogged } from '@/core/trial'
import { inputOf } from './input'
import { seenMargins } from './seenMargins'

const one = link(rig('A'), rig('H', { kind: 'base' }))
const mark = markAt('m0', 900, { lat: 47.31, lon: -29.55 })
const trial = planWith({ links: [one], marks: [mark], directions: ['to base', 'from base'] })
const ground = (marginDb: number): PlanGround => ({
  baseGroundM: 0,
  baseAntennaM: 8,
  legs: [],
  correctedBy: null,
  expected: trial.directions.flatMap((direction) =>
    direction === 'loop'
      ? []
      : [{ markId: mark.id, key: linkKey(one), direction, levelDbm: -90, marginDb, chance: 0.9 }],
  ),
})
const check = (text: string, attenuationDb = 0) => ({
  ...asLogged(checkOf(mark.id, one.id, text), { id: 'c', time: '', device: 'd', role: 'base' }),
  attenuationDb,
})
const seen = (text: string, attenuationDb = 0) =>
  seenMargins(inputOf(trial, trial.marks, [check(text, attenuationDb)], true), ground(12))

describe('what a check says of the margin that was predicted', () => {
  it('on which side of nought it was by its copy, and what the meter said', () => {
    const [copied, level] = seen('5 by 7')
    expect(copied).toMatchObject({ meter: null, predictedDb: 12, lower: 0, upper: Infinity })
    expect(level).toMatchObject({
      meter: 'base',
      predictedDb: 12,
      key: linkKey(one),
      distanceM: mark.distanceM,
    })
    expect(level!.upper - level!.lower).toBeGreaterThan(3)
  })
  it('silence is a copy that was not had, and no level', () => {
    expect(seen('not heard')).toMatchObject([{ meter: null, lower: -Infinity, upper: 0 }])
  })
  it('an attenuator out there weakened what was copied', () => {
    expect(seen('5 by 7', 10)[0]).toMatchObject({ meter: null, predictedDb: 2 })
  })
  it('nothing where nothing was predicted', () => {
    const input = inputOf(trial, trial.marks, [check('5 by 7')], true)
    expect(seenMargins(input, { ...ground(3), expected: [] })).toEqual([])
  })
})
