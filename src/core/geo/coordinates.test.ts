import { describe, expect, it } from 'vitest'
import { coordinateText, inverse, snapToTrack, utmZone } from '.'

describe('coordinates in words', () => {
  const harbour = { lat: 47.298807, lon: -29.557697 }
  it('degrees, degrees and minutes, UTM, MGRS', () => {
    expect(coordinateText(harbour, 'degrees')).toBe('47.29881, -29.55770')
    expect(coordinateText(harbour, 'degrees and minutes')).toBe('47° 17.928′ N, 29° 33.462′ W')
    // gdaltransform -s_srs EPSG:4326 -t_srs EPSG:32626: 306641.43, 5241543.01.
    expect(coordinateText(harbour, 'UTM')).toBe('26 N, 306641 E, 5241543 N')
    expect(coordinateText(harbour, 'MGRS')).toMatch(/^26T [A-Z]{2} 0664\d 4154\d$/)
    expect(coordinateText({ lat: -33.5, lon: 151 }, 'UTM')).toMatch(/^56 S, /)
    expect(coordinateText({ lat: 88, lon: 10 }, 'MGRS')).toBe('88.00000, 10.00000')
    expect(coordinateText({ lat: 46.99999999, lon: 0 }, 'degrees and minutes')).toBe(
      '47° 0.000′ N, 0° 0.000′ E',
    )
    expect([utmZone(-180), utmZone(-29.5), utmZone(179.9)]).toEqual([1, 26, 60])
  })
})

describe('snapToWay', () => {
  const track = [
    { lat: 47, lon: -30 },
    { lat: 47, lon: -29.99 },
    { lat: 47.01, lon: -29.99 },
  ]
  it('finds the nearest place of a way, how far off and how far along', () => {
    const s = snapToTrack(track, { lat: 47.001, lon: -29.995 })!
    expect(s.place.lat).toBeCloseTo(47, 6)
    expect(s.offM).toBeCloseTo(111.2, 0)
    expect(s.alongM).toBeCloseTo(inverse(track[0]!, { lat: 47, lon: -29.995 }).distanceM, 0)
    const corner = snapToTrack(track, { lat: 46.99, lon: -29.98 })!
    expect(corner.place).toMatchObject({ lat: expect.closeTo(47, 6), lon: expect.closeTo(-29.99, 6) })
    expect(snapToTrack(track, { lat: 47.02, lon: -29.99 })!.alongM).toBeCloseTo(
      inverse(track[0]!, track[1]!).distanceM + inverse(track[1]!, track[2]!).distanceM,
      0,
    )
    expect(snapToTrack([track[0]!], track[1]!)).toBeNull()
  })
})
