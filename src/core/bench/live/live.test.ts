import { describe, expect, it } from 'vitest'
import { MODEM_TRUTH, simulatedModem } from '@/core/sim/bench'
import { seededRandom } from '@/core/stats'
import { readStatus } from './statusText'
import { statesBySteps, stepsIn } from './steps'
import { blocksOf, swapAnswer, type LiveReading } from './swaps'

/** Blocks of 20 readings a second apart, out and in by turns, from the simulated modem. */
function session(seed: number, blocks: number): LiveReading[] {
  const modem = simulatedModem(seed)
  return Array.from({ length: blocks * 20 }, (_, atS) => {
    const inside = Math.floor(atS / 20) % 2 === 1
    modem.plug(inside)
    const read = readStatus(modem.say('ATI5', atS * 6))
    if (!read.ok) throw new Error('unread')
    const value = read.value.find((f) => f.quantity === 'rsrp' && f.port === 1)!.value
    return { atS: atS * 6, state: inside ? 'in' : 'out', value, capped: false }
  })
}

describe('swaps', () => {
  it('find what the simulated modem’s antenna brings, and its drift, in 87 to 94 of 100', () => {
    let held = 0
    let drift = 0
    for (let seed = 1; seed <= 300; seed++) {
      const a = swapAnswer(blocksOf(session(seed, 8), 12))!
      expect(a.swaps).toBe(7)
      if (a.interval!.low <= MODEM_TRUTH.gainDb[0] && MODEM_TRUTH.gainDb[0] <= a.interval!.high) held++
      drift += a.driftPerHour! / 300
    }
    expect(held / 3).toBeGreaterThanOrEqual(86)
    expect(held / 3).toBeLessThanOrEqual(94)
    expect(drift).toBeCloseTo(MODEM_TRUTH.driftPerHour, 0)
  })

  it('is least squares on four blocks: 5, 11.2, 4.6, 10.6 at 0, 1, 2, 3 minutes', () => {
    // numpy.linalg.lstsq over 1, plug and hours: 6.35, -15, residual 0.01, (XᵀX)⁻¹ of the plug 1.25
    const blocks = [5, 11.2, 4.6, 10.6].map((mean, i) => ({
      ...{
        state: i % 2 === 1 ? ('in' as const) : ('out' as const),
        fromS: 60 * i,
        toS: 60 * i,
        atS: 60 * i,
        mean,
      },
      ...{ readings: 5, capped: false },
    }))
    const a = swapAnswer(blocks)!
    expect(a.gain).toBeCloseTo(6.35, 9)
    expect(a.driftPerHour).toBeCloseTo(-15, 6)
    // Residuals 0.05, -0.05, -0.05, 0.05 with one degree of freedom: s = 0.1, t = 6.3138, var factor 1.25
    expect(a.interval!.high - a.gain).toBeCloseTo(6.3138 * 0.1 * Math.sqrt(1.25), 3)
  })

  it('have no interval of one swap there and back, and take a straight drift out', () => {
    const out: LiveReading[] = [0, 1, 2].flatMap((b) =>
      [0, 1, 2].map((k) => ({
        atS: b * 3 + k,
        state: b === 1 ? ('in' as const) : ('out' as const),
        value: (b === 1 ? 4 : 0) + (b * 3 + k),
        capped: false,
      })),
    )
    const a = swapAnswer(blocksOf(out, 0))!
    expect(a.interval).toBeNull()
    expect(a.gain).toBeCloseTo(4, 9)
    expect(swapAnswer(blocksOf(out.slice(0, 3), 0))).toBeNull()
  })

  it('say "at least" where what was plugged in runs into a cap', () => {
    const r = session(3, 4).map((x) => (x.state === 'in' ? { ...x, capped: true } : x))
    expect(swapAnswer(blocksOf(r, 12))!.atLeast).toBe(true)
  })
})

describe('steps', () => {
  it('are found where the plug was, though nobody said', () => {
    const values = session(4, 4).map((r) => r.value)
    const steps = stepsIn(values)
    expect(steps.map((s) => s.at)).toEqual([20, 40, 60])
    expect(steps[0]!.by).toBeGreaterThan(4)
    expect(statesBySteps(values.length, steps, 'out').slice(18, 22)).toEqual(['out', 'out', 'in', 'in'])
  })

  it('are not found in noise alone, 95 of 100 times', () => {
    const r = seededRandom(9)
    let found = 0
    for (let i = 0; i < 400; i++)
      if (stepsIn(Array.from({ length: 60 }, () => r.normal())).length > 0) found++
    expect(found).toBeLessThanOrEqual(20)
  })

  it('are none of a handful of readings', () => expect(stepsIn([1, 2, 9])).toEqual([]))
})

describe('a status', () => {
  const figures = (text: string) => {
    const r = readStatus(text)
    return r.ok ? r.value : r.problems[0]!.code
  }
  it('is read as it is pasted', () => {
    expect(figures('RSRP: -97 dBm\nRSRQ = -11,5 dB\nSINR 7')).toEqual([
      { quantity: 'rsrp', port: null, value: -97 },
      { quantity: 'rsrq', port: null, value: -11.5 },
      { quantity: 'sinr', port: null, value: 7 },
    ])
    expect(figures('port 1: RSSI -71 dBm\nport 2: RSSI −78 dBm')).toEqual([
      { quantity: 'rssi', port: 1, value: -71 },
      { quantity: 'rssi', port: 2, value: -78 },
    ])
    expect(figures('Antenna 1\n  RSRP -90\nAntenna 2\n  RSRP -95')).toEqual([
      { quantity: 'rsrp', port: 1, value: -90 },
      { quantity: 'rsrp', port: 2, value: -95 },
    ])
  })

  it('is read from the answers of 3GPP TS 27.007', () => {
    // rsrq 20 is -10 dB (18 is -11 to -10.5), rsrp 55 is -86 dBm (-141 + 55)
    expect(figures('+CESQ: 99,99,255,255,20,55')).toEqual([
      { quantity: 'rsrp', port: null, value: -86 },
      { quantity: 'rsrq', port: null, value: -10 },
    ])
    expect(figures('+CSQ: 20,99')).toEqual([{ quantity: 'rssi', port: null, value: -73 }])
    expect(figures('+CSQ: 99,99')).toBe('nothing')
  })

  it('is refused where it holds nothing, or what cannot be', () => {
    expect(figures('all is well')).toBe('nothing')
    expect(figures('RSRP: 97 dBm')).toBe('range')
  })
})
