import { expect, it } from 'vitest'
import { clockText, planTurnBack, readClock, type Mark } from '.'

const mark = (legId: string, alongM: number | null, distanceM = 1000): Mark => ({
  id: `${legId}${alongM}`,
  name: 'm',
  legId,
  legName: legId,
  distanceM,
  distanceSdM: null,
  alongM,
  bearingDeg: null,
  lat: null,
  lon: null,
})

it('walks out and back along each leg, stops counted, and says when to turn back', () => {
  const marks = [mark('a', 1000), mark('a', 2000), mark('b', null, 1000)]
  const [a, b] = planTurnBack(marks, { startMin: 540, speedKmh: 4, minutesAtMark: 10, backByMin: 600 })
  // 2 km at 4 km/h are 30 min; two marks of 10 min: at the last mark at 09:50, back at 10:20.
  expect(a).toMatchObject({ outKm: 2, marks: 2, leaveMin: 540, lastMin: 590, backMin: 620 })
  // An hour in all, of which out takes 50 parts to the way back's 30: 37.5 min.
  expect(a!.turnBackMin).toBeCloseTo(577.5, 6)
  expect(b).toMatchObject({ leaveMin: 620, outKm: 1.3 })
  expect(
    planTurnBack(marks, { startMin: 540, speedKmh: 4, minutesAtMark: 10, backByMin: null })[0]!.turnBackMin,
  ).toBeNull()
  expect(
    planTurnBack(marks, { startMin: 540, speedKmh: 4, minutesAtMark: 10, backByMin: 900 })[0]!.turnBackMin,
  ).toBe(590)
  expect(() =>
    planTurnBack(marks, { startMin: 540, speedKmh: 0, minutesAtMark: 1, backByMin: null }),
  ).toThrow(/speed/)
  expect(() =>
    planTurnBack(marks, { startMin: 540, speedKmh: 4, minutesAtMark: -1, backByMin: null }),
  ).toThrow(/0 minutes/)
})

it('reads and writes the clock', () => {
  expect(readClock('09:05')).toBe(545)
  expect([readClock('9.30'), readClock('25:00'), readClock('10:70'), readClock('noon')]).toEqual([
    570,
    null,
    null,
    null,
  ])
  expect([clockText(545), clockText(1500)]).toEqual(['09:05', '01:00 (+1 d)'])
})
