import { describe, expect, it } from 'vitest'
import { simulatedModem } from '@/core/sim/bench'
import { liveSeries, readStatus, type LiveEntry } from '../live'
import { liveSaid, seriesSaid } from './liveSaid'

const session = (blocks: number): LiveEntry[] => {
  const modem = simulatedModem(7)
  return Array.from({ length: blocks * 15 }, (_, i) => {
    const inside = Math.floor(i / 15) % 2 === 1
    modem.plug(inside)
    const read = readStatus(modem.say('ATI5', i * 4))
    if (!read.ok) throw new Error('unread')
    return {
      atS: i * 4,
      state: inside ? ('in' as const) : ('out' as const),
      figures: read.value.map((f) => ({ ...f, capped: false })),
    }
  })
}

describe('what is said of plugging in and out', () => {
  it('has the antenna’s gain with its interval, each port by itself, throughput beside', () => {
    const all = liveSeries(session(8), 10)
    expect(all.map((s) => [s.quantity.id, s.port])).toEqual([
      ['rsrp', 1],
      ['rsrp', 2],
      ['rsrq', null],
      ['throughput', null],
    ])
    const said = liveSaid(all, 'the roof antenna')
    // The modem’s truth is 6.5 dB on port 1 and 2 on port 2.
    expect(said.headline).toMatch(
      /^The roof antenna makes RSRP of port 1 6\.\d dB stronger \([56]\.\d to [67]\.\d\), here\.$/,
    )
    expect(said.more[1]).toMatch(/^RSRP of port 2: \+[12]\.\d dB \(/)
    expect(said.more.at(-1)).toMatch(/decide nothing/)
  })

  it('proves little by one swap, and asks for both states', () => {
    const two = liveSeries(session(2), 10)
    expect(liveSaid(two, '').headline).toMatch(
      /^What is plugged in brings 6\.\d dB more by one swap, which proves little/,
    )
    expect(seriesSaid(two[0]!)).toMatch(/swap twice more/)
    expect(liveSaid(liveSeries(session(1), 10), '').headline).toMatch(/^Log some readings/)
  })

  it('says at least where a cap hides the rest, and that it may be nothing', () => {
    const capped = session(4).map((e) => ({
      ...e,
      figures: e.figures.map((f) => ({ ...f, capped: e.state === 'in' })),
    }))
    expect(seriesSaid(liveSeries(capped, 10)[0]!)).toMatch(/^RSRP of port 1: at least \+/)
    const same = session(6).map((e) => ({
      ...e,
      figures: [{ quantity: 'rssi', port: null, value: -80 + (e.atS % 3), capped: false }],
    }))
    expect(liveSaid(liveSeries(same, 0), 'it').headline).toMatch(/^Cannot tell whether it changes RSSI/)
  })
})
