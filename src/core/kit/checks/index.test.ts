import { describe, expect, it } from 'vitest'
import { assessRig } from '../assess/assess'
import { EXAMPLE_RULE_SETS } from '../rules/ruleExamples'
import { built, item, kit, kitWith } from '@/core/testing/kit'
import type { Assembly } from '../rig/assembly'
import type { Part, PartOf } from '../parts/part'

const at = { txMHz: 460, rxMHz: null as number | null, powerW: 2, antennaHeightM: 1.4 }
const problems = (
  assembly: Assembly,
  settings: Partial<typeof at> = {},
  parts: Part[] = kit,
  service: string | null = null,
) =>
  assessRig(
    assembly,
    { ...at, ...settings },
    parts,
    service ? EXAMPLE_RULE_SETS.flatMap((r) => r.services).find((s) => s.name.startsWith(service))! : null,
  ).ports.flatMap((p) => p.problems)
const codes = (...args: Parameters<typeof problems>) => problems(...args).map((p) => p.code)
const find = (code: string, ...args: Parameters<typeof problems>) =>
  problems(...args).find((p) => p.code === code)

describe('what will not work, and the way out', () => {
  it('says nothing of a rig that is right', () => {
    expect(codes(built('handheld-uhf', ['long-whip'], { mount: 'in-hand' }))).toEqual([])
    expect(
      codes(built('desk-uhf', ['lead-10-20', 'collinear'], { mount: 'clamp', mast: 'mast-8', wayInM: 8 }), {
        powerW: 25,
        antennaHeightM: 8,
      }),
    ).toEqual([])
  })
  it('solves connectors with what is owned, turns a part round, or names what to buy', () => {
    const solved = find('connector-family', built('handheld-uhf', ['beam']))!
    expect(solved.wayOut).toContain(
      'None of your adapters joins them. Get an adapter from SMA male to N male',
    )
    const bnc = find('connector-family', built('handheld-uhf', ['telescopic']), { txMHz: 460 })!
    expect(bnc.fix).toMatchObject({
      kind: 'insert adapters',
      at: 0,
      steps: [{ partId: 'sma-bnc', flipped: false }],
    })
    const turned = find('connector-gender', built('handheld-uhf', ['turned thin-lead', 'long-whip']))!
    expect(turned.fix).toEqual({ kind: 'turn round', portIndex: 0, key: '0-thin-lead' })
  })
  it('warns of look-alikes that must not be forced', () => {
    const p = find('connector-polarity', built('data-two', ['stub']), { txMHz: 915, powerW: 1 })!
    expect(p.weight).toBe('harms')
    expect(p.message).toContain('Do not force it')
  })
  it('passes over what clips on', () => {
    expect(codes(built('handheld-uhf', ['choke', 'long-whip'], { mount: 'in-hand' }))).toEqual([])
  })
  it('off band: radio, antenna, either side of a split channel', () => {
    expect(find('off-band', built('handheld-uhf', ['long-whip']), { txMHz: 155 })!.weight).toBe('stops')
    const split = problems(built('desk-uhf', ['lead-10-20', 'collinear']), { rxMHz: 445, powerW: 25 }).filter(
      (p) => p.code === 'off-band',
    )
    expect(split).toHaveLength(1)
    expect(split[0]!.message).toContain('the receive side is 445 MHz')
  })
  it('over the rating, with the setting that is not; a power the radio does not have', () => {
    const p = find('over-rating', built('desk-uhf', ['turned n-uhf', 'att-10']), { powerW: 25 })!
    expect(p.message).toContain('burns or fails open')
    expect(p.weight).toBe('harms')
    const small = find('over-rating', built('handheld-uhf', ['att-10', 'long-whip']), { powerW: 2 })
    expect(small).toBeUndefined()
    const weak = kitWith('att-10', (x) => ({ ...x, spec: { ...x.spec, ratingW: 1 } }) as PartOf<'attenuator'>)
    expect(find('over-rating', built('handheld-uhf', ['att-10', 'long-whip']), {}, weak)!.fix).toEqual({
      kind: 'set power',
      powerW: 0.5,
    })
    expect(find('no-such-power', built('handheld-uhf', ['long-whip']), { powerW: 5 })!.fix).toEqual({
      kind: 'set power',
      powerW: 2,
    })
  })
  it('no ground plane; radials or a metal mount mend it', () => {
    const car = ['car-lead', 'roof-quarter']
    expect(codes(built('mobile-uhf', car, { mount: 'clamp' }), { powerW: 25 })).toContain('no-ground-plane')
    expect(codes(built('mobile-uhf', car, { mount: 'magnet' }), { powerW: 25 })).not.toContain(
      'no-ground-plane',
    )
    expect(codes(built('mobile-uhf', car, { alongIds: ['radials'] }), { powerW: 25 })).not.toContain(
      'no-ground-plane',
    )
    expect(codes(built('desk-uhf', ['turned sma-n', 'stub']), { powerW: 5 })).toContain('no-ground-plane')
  })
  it('a fixed antenna on a removable plan; no antenna; two; no radio; a second port that is not there', () => {
    expect(codes(built('handheld-fixed', ['long-whip']), { txMHz: 446.1, powerW: 0.5 })).toContain(
      'antenna-fixed',
    )
    expect(codes(built('handheld-fixed', []), { txMHz: 446.1, powerW: 0.5 })).toEqual([])
    expect(find('no-antenna', built('handheld-uhf', []))!.weight).toBe('harms')
    expect(codes(built('handheld-uhf', ['stub', 'long-whip']))).toContain('two-antennas')
    expect(codes({ ...built('handheld-uhf', ['stub']), radioId: null })).toContain('no-radio')
    const one = built('handheld-uhf', ['stub'])
    expect(codes({ ...one, ports: [...one.ports, ...one.ports] })).toContain('no-second-port')
  })
  it('an SWR that endangers the radio, and one that a lossy lead hides', () => {
    const bad = (part: string) =>
      kitWith(
        part,
        (x) => ({ ...x, spec: { ...x.spec, swr: [{ frequencyMHz: 460, swr: 5 }] } }) as PartOf<'antenna'>,
      )
    expect(find('swr-endangers', built('handheld-uhf', ['long-whip']), {}, bad('long-whip'))!.weight).toBe(
      'harms',
    )
    const long = bad('collinear').map((p) =>
      p.id === 'lead-10-20' ? ({ ...p, spec: { ...p.spec, lengthM: 60 } } as Part) : p,
    )
    const hidden = find('swr-hidden', built('desk-uhf', ['lead-10-20', 'collinear']), { powerW: 25 }, long)!
    expect(hidden.message).toContain('hides a bad antenna')
    expect(codes(built('handheld-uhf', ['long-whip']), { txMHz: 441 })).toContain('swr-outside')
    expect(
      codes(built('handheld-vhf', ['sma-gender', 'sma-bnc', 'telescopic']), { txMHz: 145, powerW: 5 }),
    ).toContain('swr-unknown')
  })
  it('a service’s rules: power, ERP, height, external antenna, band', () => {
    const base = built('desk-uhf', ['lead-10-20', 'collinear'])
    expect(codes(base, { powerW: 25, antennaHeightM: 12 }, kit, 'Event channel')).toEqual(
      expect.arrayContaining(['rule-height']),
    )
    expect(
      find('rule-erp', built('handheld-uhf', ['long-whip']), { txMHz: 446.1 }, kit, 'Licence-free handheld')!
        .fix,
    ).toEqual({ kind: 'set power', powerW: 0.5 })
    expect(
      codes(built('handheld-uhf', ['long-whip']), { txMHz: 446.1 }, kit, 'Licence-free handheld'),
    ).toContain('rule-antenna')
    expect(codes(base, { txMHz: 440 }, kit, 'Event channel')).toContain('rule-band')
    expect(
      find('rule-power', built('handheld-vhf', ['vhf-rubber']), { txMHz: 152, powerW: 5 }, kit, 'Multi-use')!
        .fix,
    ).toEqual({ kind: 'set power', powerW: 1 })
  })
  it('a lead that costs more than its antenna brings, with a better one', () => {
    const p = find('lead-eats-gain', built('mobile-uhf', ['lead-5-20', 'turned n-uhf', 'collinear']), {
      powerW: 25,
    })!
    expect(p.message).toMatch(/cost 8\.\d dB.*brings 5\.2 dB/)
    expect(p.wayOut).toContain('20 m of 6 mm foam coax')
  })
  it('a clamp that does not take the mast, a height it does not reach, a lead too short', () => {
    const base = built('desk-uhf', ['lead-10-12', 'collinear'], {
      mount: 'clamp',
      mast: 'mast-8',
      wayInM: 10,
    })
    expect(find('lead-short', base, { powerW: 25, antennaHeightM: 8 })!.wayOut).toContain('18 m')
    expect(find('mast-height', base, { powerW: 25, antennaHeightM: 12 })!.fix).toEqual({
      kind: 'set height',
      heightM: 8,
    })
    const thick = kitWith('mast-8', (x) => ({ ...x, spec: { ...x.spec, tubeMm: 60 } }) as PartOf<'mast'>)
    expect(find('clamp-misfit', base, { powerW: 25, antennaHeightM: 8 }, thick)!.wayOut).toContain(
      'larger clamp',
    )
  })
  it('an antenna that is not set for the channel', () => {
    const vhf = (setting: number | null) => ({
      ...built('handheld-vhf', []),
      ports: [
        {
          items: [item('sma-gender'), item('sma-bnc'), item('telescopic', { setting })],
          mountId: null,
          mastId: null,
          polarisation: null,
        },
      ],
    })
    expect(find('not-set', vhf(null), { txMHz: 145, powerW: 5 })!.fix).toMatchObject({ setting: 501.5 })
    expect(find('not-set', vhf(491), { txMHz: 145, powerW: 5 })!.weight).toBe('costs')
    expect(codes(vhf(501.5), { txMHz: 145, powerW: 5 })).not.toContain('not-set')
    expect(codes(vhf(491), { txMHz: 150, powerW: 5 })).toContain('setting-off-chart')
  })
  it('limits of lead and connector, two antennas close together, a feeder that drops too much', () => {
    const high = kitWith('thin-lead', (x) => ({ ...x, spec: { ...x.spec, maxMHz: 400 } }) as PartOf<'lead'>)
    expect(codes(built('handheld-uhf', ['thin-lead', 'long-whip']), {}, high)).toContain('lead-limit')
    expect(codes(built('mobile-uhf', ['lead-5-20', 'turned n-uhf', 'collinear']), { powerW: 25 })).toContain(
      'connector-limit',
    )
    const one = built('data-two', ['data-whip'])
    const two = { ...one, ports: [...one.ports, ...one.ports] }
    expect(find('ports-close', two, { txMHz: 915, powerW: 1 })!.weight).toBe('ask')
    expect(find('ports-close', { ...two, spacingM: 0.05 }, { txMHz: 915, powerW: 1 })!.weight).toBe('costs')
    expect(codes({ ...two, spacingM: 0.5 }, { txMHz: 915, powerW: 1 })).not.toContain('ports-close')
    const long = kitWith(
      'feeder',
      (x) => ({ ...x, spec: { ...x.spec, cableM: 100, drawA: 2 } }) as PartOf<'power feeder'>,
    )
    expect(codes(built('handheld-uhf', ['long-whip'], { alongIds: ['feeder'] }), {}, long)).toContain(
      'feeder-drop',
    )
    expect(codes(built('handheld-uhf', ['long-whip'], { alongIds: ['feeder'] }))).not.toContain('feeder-drop')
  })
  it('a gain without a reference is asked about', () => {
    expect(codes(built('handheld-uhf', ['stub']))).toContain('gain-no-reference')
  })
})
