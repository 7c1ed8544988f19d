import { describe, expect, it } from 'vitest'
import { checkOf, link, mark, planWith, rig } from '@/core/testing/plans'
import { asLogged } from '@/core/trial'
import { fitJoint } from './jointFit'
import { beginTrend, trendOf } from './trend'
import { inputOf, readChecks } from '../input'

const handheld = (id: string) => rig(id, { txMHz: 446, antennaHeightM: 1.5 })

/** A log on which A begins two S-units above B and falls faster, so that they change places at 1 km. */
function crossingAt1Km(count: number) {
  const marks = Array.from({ length: count }, (_, i) => mark(`m${i}`, 200 * 25 ** (i / (count - 1))))
  const plan = planWith({ links: ['A', 'B'].map((id) => link(handheld(id), handheld('Z'))), marks })
  const checks = marks.flatMap((m, i) =>
    ['A', 'B'].map((linkId) => {
      const lg = Math.log10(m.distanceM / 1000)
      const steeper = linkId === 'A' ? -3 : 0
      // A little up and down from mark to mark, the same for both.
      const units = Math.round(6 + 0.5 * Math.sin(2 * i) + (steeper - 3) * lg)
      const text = units < 1 ? 'not heard' : `5 by ${Math.min(9, units)}`
      return asLogged(checkOf(m.id, linkId, text), {
        id: `${m.id}${linkId}`,
        time: '',
        device: 'd',
        role: 'out there',
      })
    }),
  )
  const input = inputOf(plan, marks, checks, true)
  const { checks: read } = readChecks(input)
  const joint = fitJoint(input, read)!
  const trend = beginTrend(input, read, joint)!()
  return {
    joint,
    found: trendOf(
      input,
      trend,
      0,
      1,
      [0],
      marks.map((m) => m.id),
    )!,
  }
}

describe('how a difference changes with distance', () => {
  it('is told with where the two change places', () => {
    const { found } = crossingAt1Km(24)
    expect(found.slope90.high).toBeLessThan(0)
    expect(10 ** found.crossing!.low).toBeLessThan(1000)
    expect(10 ** found.crossing!.high).toBeGreaterThan(1000)
  }, 30_000)

  it('says the same of hundreds of marks, which the model takes for fewer places', () => {
    const { joint, found } = crossingAt1Km(300)
    expect(joint.input.model.marks.length).toBeLessThan(150)
    expect(10 ** found.crossing!.x).toBeGreaterThan(850)
    expect(10 ** found.crossing!.x).toBeLessThan(1180)
    expect(found.slope90.high).toBeLessThan(0)
    expect(found.marks).toBe(300)
  }, 60_000)
})
