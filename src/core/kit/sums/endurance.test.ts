import { describe, expect, it } from 'vitest'
import { enduranceOf, hoursText, meanCurrentA, relayLoad, temperatureFactor } from '..'

describe('endurance', () => {
  const radio = { standbyA: 0.06, receiveA: 0.18, transmitA: 1.1 }
  it('capacity over the mean of the currents, announcements on top', () => {
    // By hand: 0.05·1.1 + 0.15·0.18 + 0.8·0.06 = 0.13 A; 1.8 Ah·0.9 = 1.62 Ah; 12.46 h at 20 °C.
    expect(meanCurrentA(radio, { transmitShare: 0.05, receiveShare: 0.15 })).toBeCloseTo(0.13, 9)
    const e = enduranceOf({ capacityAh: 1.8, chemistry: 'lithium ion', temperatureC: 20, drawA: 0.13 })
    expect(e.hours).toBeCloseTo(12.46, 2)
    expect(hoursText(e.hours)).toBe('12 h 30 min')
    // 12 announcements of 30 s an hour are a tenth of the time.
    expect(
      meanCurrentA(radio, { transmitShare: 0, receiveShare: 0, announcementsPerHour: 12, announcementS: 30 }),
    ).toBeCloseTo(0.164, 9)
  })
  it('less in the cold, for ever with enough sun', () => {
    expect(temperatureFactor('lithium ion', 0)).toBe(0.85)
    expect(temperatureFactor('lithium ion', -10)).toBeCloseTo(0.725, 9)
    expect(temperatureFactor('lead', -40)).toBe(0.5)
    expect(temperatureFactor('lead', 60)).toBe(1.05)
    const sun = {
      capacityAh: 20,
      chemistry: 'lithium iron phosphate' as const,
      temperatureC: 20,
      drawA: 0.1,
      volts: 12.8,
    }
    expect(enduranceOf({ ...sun, solarWhPerDay: 40 }).hours).toBe(Infinity)
    expect(hoursText(Infinity)).toContain('sun')
    expect(enduranceOf({ ...sun, solarWhPerDay: 20 }).hours).toBeCloseTo(19 / (0.1 - 20 / 12.8 / 24), 6)
    expect(hoursText(0.4)).toBe('24 min')
    expect(hoursText(100)).toBe('4.2 days')
  })
  it('a relay with two radios at once, and one that stores and sends again', () => {
    const use = { trafficShare: 0.1, controllerA: 0.02, messageS: 8, longestMessageS: 30 }
    const two = relayLoad('two radios at once', radio, use)
    expect(two).toMatchObject({ airtimeFactor: 1, delayS: 0 })
    expect(two.drawA).toBeCloseTo(0.02 + 0.1 * 1.28 + 0.9 * 0.12, 9)
    const one = relayLoad('one radio, stores and sends again', radio, use)
    expect(one).toMatchObject({ airtimeFactor: 2, delayS: 8, longestMessageS: 30 })
    expect(one.drawA).toBeCloseTo(0.02 + 0.1 * 1.1 + 0.1 * 0.18 + 0.8 * 0.06, 9)
    expect(() =>
      relayLoad('one radio, stores and sends again', radio, { ...use, trafficShare: 0.6 }),
    ).toThrow(/twice its time/)
  })
  it('refuses shares that make more than the whole, and nothing to draw', () => {
    expect(() => meanCurrentA(radio, { transmitShare: 0.7, receiveShare: 0.5 })).toThrow(
      /more than the whole/,
    )
    expect(() => meanCurrentA(radio, { transmitShare: -0.1, receiveShare: 0 })).toThrow(/0 or more/)
    expect(() => enduranceOf({ capacityAh: 0, chemistry: 'lead', temperatureC: 20, drawA: 1 })).toThrow(
      /capacityAh/,
    )
    expect(() => enduranceOf({ capacityAh: 1, chemistry: 'lead', temperatureC: 20, drawA: 0 })).toThrow(
      /drawA/,
    )
  })
})
