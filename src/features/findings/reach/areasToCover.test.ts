import { describe, expect, it } from 'vitest'
import type { AreaRow } from '@/data/areas'
import { areasToCover, needOf } from './areasToCover'
import type { Settings } from '../frame/ruleParams'

const base = { name: 'Harbour', lat: 47.3, lon: -29.55 }
const area = (id: string, kind: AreaRow['kind'], east: number): AreaRow => ({
  id,
  name: `Area ${id}`,
  kind,
  heightM: 0,
  revision: 1,
  createdAt: '2026-05-16T08:00:00.000Z',
  // A tenth of a degree of longitude is 7.6 km here, a hundredth of one of latitude 1.1 km.
  rings: [
    [
      [base.lon, 47.295],
      [base.lon + east, 47.295],
      [base.lon + east, 47.305],
      [base.lon, 47.305],
      [base.lon, 47.295],
    ],
  ],
})

describe('areas that are to be covered', () => {
  const areas = areasToCover([area('bay', 'to cover', 0.1), area('wood', 'wood', 0.1)], base)

  it('are those drawn for it alone, with how far their places are, out to the farthest corner', () => {
    expect(areas.map((a) => a.id)).toEqual(['bay'])
    const { distancesM } = areas[0]!
    expect(distancesM.length).toBeGreaterThan(200)
    expect([...distancesM].sort((a, b) => a - b)).toEqual(distancesM)
    // The far corners: 7.567 km east (a degree of longitude at 47.3 is 75.67 km on WGS 84) and 0.556 km off.
    expect(distancesM.at(-1)! / Math.hypot(7567, 556)).toBeCloseTo(1, 3)
    const halfway = distancesM.filter((d) => d < 3784).length / distancesM.length
    expect(Math.abs(halfway - 0.5)).toBeLessThan(0.03)
  })

  it('are none where the base has no place', () => {
    expect(areasToCover([area('bay', 'to cover', 0.1)], { ...base, lat: null, lon: null })).toEqual([])
    expect(areasToCover([area('bay', 'to cover', 0.1)], null)).toEqual([])
  })

  it('an area that is gone asks nothing', () => {
    const settings = { need: { floorM: null, ceilingM: null }, reliability: 0.9, areaId: 'bay' } as Settings
    expect(needOf(settings, areas).area?.name).toBe('Area bay')
    expect(needOf({ ...settings, areaId: 'gone' }, areas).area).toBeNull()
  })
})
