import { describe, expect, it } from 'vitest'
import { enduranceBy, ENDURANCE_FIELDS, ENDURANCE_START, fieldsOf, USES, type Field } from './enduranceForm'

const figures = (more: Partial<Record<Field, number>> = {}) => {
  const all = {
    ...Object.fromEntries(Object.entries(ENDURANCE_START).map(([f, t]) => [f, Number(t)])),
    ...more,
  }
  return (f: Field) => (all as Record<Field, number>)[f]
}

describe('how long a battery lasts', () => {
  it('asks only for what counts for the use, and begins with figures that are allowed', () => {
    for (const { value } of USES)
      for (const f of fieldsOf(value)) {
        const { bounds } = ENDURANCE_FIELDS[f] as { bounds: { min?: number; above?: number; max?: number } }
        const start = Number(ENDURANCE_START[f])
        expect(start).toBeGreaterThanOrEqual(bounds.min ?? bounds.above ?? -Infinity)
        expect(start).toBeLessThanOrEqual(bounds.max ?? Infinity)
      }
    expect(fieldsOf('a radio')).not.toContain('traffic')
    expect(fieldsOf('two radios at once')).not.toContain('messageS')
  })

  it('of a radio draws the mean of its currents', () => {
    // 5 % at 1.1 A, 15 % at 0.18 A, 80 % at 0.06 A.
    const found = enduranceBy('a radio', 'lithium ion', figures())
    if (typeof found === 'string') throw new Error(found)
    expect(found.drawA).toBeCloseTo(0.05 * 1.1 + 0.15 * 0.18 + 0.8 * 0.06, 9)
    expect(found.hours).toBeCloseTo(found.usableAh / found.drawA, 6)
    expect(found.relay).toBeNull()
  })

  it('lasts longer in the warmth and by the sun, and less long the more is sent', () => {
    const hours = (more: Partial<Record<Field, number>>) => {
      const found = enduranceBy('a radio', 'lithium ion', figures(more))
      return typeof found === 'string' ? NaN : found.hours
    }
    expect(hours({ temperatureC: 25 })).toBeGreaterThan(hours({ temperatureC: -10 }))
    expect(hours({ solarWh: 5 })).toBeGreaterThan(hours({}))
    expect(hours({ transmit: 20 })).toBeLessThan(hours({}))
  })

  it('of a relay says what it draws, and of what does not fit together why', () => {
    const relay = enduranceBy('two radios at once', 'lithium ion', figures())
    expect(typeof relay === 'string' ? null : relay.relay).not.toBeNull()
    const wrong = enduranceBy('a radio', 'lithium ion', figures({ transmit: 80, receive: 80 }))
    expect(wrong).toMatch(/^[A-Z].*\.$/)
  })
})
