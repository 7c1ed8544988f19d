import { describe, expect, it } from 'vitest'
import { simulatedReceiver, TURN_TRUTH, type Turned } from '@/core/sim/bench'
import { anglesToTake, fitCosine, pointsOf, repeatability, twoTurned, type TurnReading } from '../turn'
import { folded, patternFigures } from '../turn/pattern'
import { crossedRows, crossedSaid, patternSaid, purposeSaid } from './turnSaid'

const turned = (what: Turned, seed: number, step = 15, times = 3): TurnReading[] => {
  const r = simulatedReceiver(seed, what)
  return Array.from({ length: times }, () =>
    anglesToTake(step).map((angleDeg) => ({ angleDeg, ...r.read(angleDeg) })),
  ).flat()
}
const said = (r: TurnReading[]) => {
  const f = patternFigures(pointsOf(r))!
  return patternSaid(f, folded(pointsOf(r), f.peakDeg), repeatability(r))
}

describe('what is said of a turn', () => {
  it('has the simulated beam’s width and back, within the reading’s error', () => {
    const r = turned('small-beam', 1)
    const f = patternFigures(pointsOf(r))!
    expect(Math.abs(f.beam3!.widthDeg - 2 * TURN_TRUTH.beam.halfDeg)).toBeLessThan(8)
    expect(Math.abs(f.frontToBack.db - TURN_TRUTH.beam.backDb)).toBeLessThan(1.5)
    expect(said(r).headline).toMatch(
      /^Its beam is [67]\d° wide at −3 dB \(± \d+°\), strongest at (\d|35\d)°; behind it hears 1[567]\.\d dB less\.$/,
    )
  })

  it('holds the simulated beam’s width in its ± in 85 to 99 of 100 turns, and has none of a single turn', () => {
    let held = 0
    for (let seed = 1; seed <= 200; seed++) {
      const { headline } = said(turned('small-beam', seed))
      const [, width, off] = /^Its beam is (\d+)° wide at −3 dB \(± (\d+)°\)/.exec(headline)!
      if (Math.abs(Number(width) - 2 * TURN_TRUTH.beam.halfDeg) <= Number(off) + 0.5) held++
    }
    // Straight lines between angles of 15 degrees add a little of their own.
    expect(held / 2).toBeGreaterThanOrEqual(85)
    expect(held / 2).toBeLessThanOrEqual(99)
    expect(said(turned('small-beam', 1, 15, 1)).more.at(-1)).toMatch(/^Nothing was read twice/)
  })

  it('reads a loop by its nulls, and one that is worn as alike but for the body', () => {
    expect(said(turned('loop', 2)).more.join(' ')).toMatch(/Nulls at 90° .* and 270° .*best from a null/)
    const worn = said(turned('whip-worn', 3))
    expect(worn.headline + worn.more.join(' ')).toMatch(/dB less/)
  })

  it('judges two antennas for each purpose, by name', () => {
    const v = twoTurned(turned('small-beam', 4), turned('loop', 5), { firstLossDb: 0, secondLossDb: 0 })!
    const lines = v.map((x) => purposeSaid(x, 'Beam', 'Loop'))
    // -64 and -79 dBm at the peaks
    expect(lines[0]).toMatch(/^Beam hears farther, by 1[45]\.\d dB \(± \d\.\d dB\)\.$/)
    expect(lines[2]).toMatch(/^Loop has the deeper null/)
    expect(
      purposeSaid(
        { purpose: 'deeper null', better: 'cannot tell', by: null, off: null, why: 'neither has a null' },
        'a',
        'b',
      ),
    ).toBe('Cannot tell which has the deeper null: neither has a null.')
  })

  it('has the angles of 6, 12 and 18 dB, each as a range; 12 dB are a quarter in free space and a half near the ground', () => {
    const fit = fitCosine(pointsOf(turned('crossed', 6, 10)))!
    expect(Math.abs(fit.isolationDb - TURN_TRUTH.crossed.isolationDb)).toBeLessThan(1.5)
    expect(Math.abs(fit.alignedDeg - TURN_TRUTH.crossed.alignedDeg)).toBeLessThan(2)
    const rows = crossedRows(fit, 3)
    expect(rows[1]).toMatchObject({
      inFreeSpace: expect.closeTo(0.251, 3),
      nearGround: expect.closeTo(0.501, 3),
      here: expect.closeTo(0.398, 3),
    })
    // By hand at 19 dB of isolation: sin² = (1 - 10^-0.6)/(1 - 10^-1.9): 60.8 degrees
    expect(Math.abs(rows[0]!.angleDeg! - 60.8)).toBeLessThan(1)
    expect(crossedSaid(fit).headline).toMatch(/^Crossed, they lose (18|19|20)\.\d dB/)
  })
})
