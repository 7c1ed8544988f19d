import { describe, expect, it } from 'vitest'
import { ORDINARY_FIELD, simulateRun } from '@/core/sim'
import { breakdownOf, inputOf, prepareFindings } from '..'
import { link, logged, plan, rig } from '@/core/testing/plans'
import { byWords } from './breakdownWords'
import { conditionGroupings, type RunEvent } from './conditions'

let made = 0
const written = (
  when: 'start' | 'change' | 'end',
  time: string,
  values: Record<string, string>,
  runId?: string,
): RunEvent => ({
  id: `w${made++}`,
  time,
  device: 'd',
  runId,
  body: { kind: 'conditions', when, values, ticked: [] },
})

const at = (hour: number) => new Date(Date.UTC(2026, 4, 16, hour)).toISOString()

describe('conditions as factors', () => {
  it('what was said at the start holds from the beginning, a change from its time, the end for nothing', () => {
    const found = conditionGroupings([
      written('start', at(9), { band: ' Quiet ', weather: 'dry' }),
      written('change', at(12), { band: 'open  to the south', weather: 'dry' }),
      written('end', at(13), { band: 'closed', weather: 'dry' }),
    ])
    expect(found.map((f) => f.what)).toEqual(['band state'])
    const of = (hour: number) => found[0]!.groupOf({ runId: undefined, time: at(hour) })
    expect([8, 11, 12, 14].map(of)).toEqual(['quiet', 'quiet', 'open to the south', 'open to the south'])
  })

  it('each run has its own, and one without any is in no group', () => {
    const [ground] = conditionGroupings([
      written('start', at(9), { ground: 'wet' }, 'may'),
      written('start', at(9), { ground: 'dry' }, 'june'),
    ])
    expect(ground!.what).toBe('wetness of the ground')
    expect(['may', 'june', 'july'].map((runId) => ground!.groupOf({ runId, time: at(10) }))).toEqual([
      'wet',
      'dry',
      null,
    ])
  })

  it('what never changed, or was left empty, is no factor', () => {
    expect(conditionGroupings([])).toEqual([])
    expect(
      conditionGroupings([
        written('start', at(9), { band: 'quiet', weather: '' }),
        written('change', at(12), { band: 'QUIET', weather: 'rain' }),
      ]),
    ).toEqual([])
  })

  it('a winner that changes with the band state is told as a flip by it', async () => {
    const p = plan([link(rig('a')), link(rig('b'))], 24)
    const field = { ...ORDINARY_FIELD, groundLossDb: 0, extraSlopeDb: 0, inWords: 0, seed: 4, gainDbi: {} }
    const open = (markId: string) => Number(markId.slice(1)) >= 12
    const checks = logged(
      simulateRun(p, {
        ...field,
        overGround: (l, m) =>
          118 + 35 * Math.log10(m.distanceM / 1000) + (open(m.id) === (l.id === 'a') ? 5 : -5),
      }),
    ).map((c) => ({ ...c, time: at(open(c.markId) ? 13 : 9) }))
    const input = inputOf(p, p.marks, checks, true)
    const events = [
      written('start', at(8), { band: 'quiet' }),
      written('change', at(12), { band: 'open to the south' }),
    ]
    const { by } = await breakdownOf(input, prepareFindings(input), null, events)
    const band = by.find((b) => b.what === 'band state')!.pairs[0]!
    expect(band.flips).toBe(true)
    expect(byWords('band state', band, (x) => x)).toMatch(
      /^It flips by band state: a is ahead while it was “quiet” \(\+\d+\.\d dB\), b while it was “open to the south” \(\+\d+\.\d dB\)\.$/,
    )
    expect((await breakdownOf(input, prepareFindings(input), null)).by.map((b) => b.what)).not.toContain(
      'band state',
    )
  })
})
