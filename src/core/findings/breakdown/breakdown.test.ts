import { describe, expect, it } from 'vitest'
import type { Link } from '@/core/kit'
import { linkKey, type PlanGround } from '@/core/reach'
import { defaultScale } from '@/core/reports'
import { medianLevel, ORDINARY_FIELD, simulateRun, type SimulatedField } from '@/core/sim'
import type { LoggedEvent, Mark, TrialPlan } from '@/core/trial'
import { breakdownOf, inputOf, poolRuns, prepareFindings, USUAL_CHOICES, type Breakdown } from '..'
import { desk, link, logged, plan, rig } from '@/core/testing/plans'
import {
  apartWords,
  byWords,
  driftWords,
  matrixWords,
  offsetWords,
  predictionWords,
  otherStationsWords,
  unitWords,
  erraticWords,
} from './breakdownWords'

const FIELD: SimulatedField = {
  ...ORDINARY_FIELD,
  groundLossDb: 8,
  extraSlopeDb: 6,
  inWords: 0,
  seed: 4,
  gainDbi: {},
}
const id = (x: string) => x
const breakdown = (
  p: TrialPlan,
  field: SimulatedField,
  ground: PlanGround | null = null,
  events: LoggedEvent[] = [],
): Promise<Breakdown> => {
  const input = inputOf(p, p.marks, logged(simulateRun(p, field)), true)
  return breakdownOf(input, prepareFindings(input), ground, events)
}
const whip = (letter: string, antenna: string, unit: string) =>
  rig(letter, { traits: { antenna, radio: 'handheld', radioUnit: unit } })

describe('what each thing brought', () => {
  const masts = ['l', 'h'].map((x, i) => ({ ...desk, id: x, name: `mast ${i}`, antennaHeightM: i ? 8 : 4 }))
  const outs = [rig('a'), rig('b')]
  const four: Link[] = masts.flatMap((m) =>
    outs.map((o) => ({
      id: `${o.id}${m.id}`,
      letter: `${o.letter}${m.id}`,
      name: `${o.name} ${m.name}`,
      base: m,
      out: o,
    })),
  )
  it('tells the mast from the antenna, and that they add up', async () => {
    const { matrix } = await breakdown(plan(four, 16), { ...FIELD, gainDbi: { a: -4, b: 2 } })
    expect(matrix!.mains.map((m) => [m.end, m.level])).toEqual([
      ['base', 'mast 1'],
      ['out', 'Rig b'],
    ])
    // The truth: 20 lg 2 of plane earth for the mast, 6 dB for the antenna.
    for (const [i, truth] of [6.02, 6].entries()) {
      expect(matrix!.mains[i]!.holds).toBe(true)
      expect(matrix!.mains[i]!.effect.interval95.low!).toBeLessThan(truth)
      expect(matrix!.mains[i]!.effect.interval95.high!).toBeGreaterThan(truth)
    }
    const words = matrixWords(matrix!).join(' ')
    expect(words).toMatch(/Mast 1 instead of mast 0 \(height at the base\) brought \+\d/)
    expect(words).toContain('No sign that they do more, or less, than add up.')
    expect(words).toContain('A change at the base helps everybody')
  })
  it('says that they do not add up where one helps one only', async () => {
    const { matrix } = await breakdown(plan(four, 20), { ...FIELD, linkGainDb: { bh: 12 } })
    expect(matrix!.interactions[0]!.holds).toBe(true)
    expect(matrixWords(matrix!).join(' ')).toContain('They do not add up')
  })
  it('credits nothing to an antenna that was only ever on one radio, and tells a unit where it was swapped', async () => {
    const tied = [whip('a', 'stub', 'one'), whip('b', 'long', 'two'), whip('c', 'gain', 'three')].map((r) =>
      link(r),
    )
    expect((await breakdown(plan(tied, 12), FIELD)).matrix).toBeNull()
    const crossed = [
      whip('a', 'stub', 'one'),
      whip('b', 'long', 'one'),
      whip('c', 'stub', 'two'),
      whip('d', 'long', 'two'),
    ].map((r) => link(r))
    const { matrix } = await breakdown(plan(crossed, 16), { ...FIELD, gainDbi: { a: 0, b: 5, c: -6, d: -1 } })
    expect(matrix!.mains.map((m) => m.names[0])).toEqual(['antenna', 'radio unit'])
    expect(unitWords(matrix)).toMatch(/^The units differ: two against one −\d/)
    expect(unitWords(null)).toBeNull()
  })
  it('says which settings always went together, and which follow from others', async () => {
    const rigs = [whip('a', 'stub', 'one'), whip('b', 'long', 'one'), whip('c', 'stub', 'two')]
    const links = rigs.map((r) => link(r))
    const { matrix } = await breakdown(plan(links, 12), FIELD)
    expect(matrixWords(matrix!).join(' ')).toContain('Too few of the combinations')
    const heights = rigs.map((r, i) => ({ ...r, antennaHeightM: i === 1 ? 3 : 1.4 })).map((r) => link(r))
    const found = await breakdown(plan(heights, 12), FIELD)
    expect(matrixWords(found.matrix!).join(' ')).toContain('always changed together')
  })
})

describe('where and when it holds', () => {
  it('finds a flip between legs and none where there is none', async () => {
    const p = plan([link(rig('a')), link(rig('b'))], 24)
    const two: TrialPlan = {
      ...p,
      marks: p.marks.map((m, i) => (i % 2 ? { ...m, legId: 'top', legName: 'Top', id: `t${i}` } : m)),
    }
    const overGround: SimulatedField['overGround'] = (l, m) =>
      118 + 35 * Math.log10(m.distanceM / 1000) + (m.legId === 'top' ? 1 : -1) * (l.id === 'a' ? 5 : -5)
    const found = await breakdown(two, { ...FIELD, groundLossDb: 0, extraSlopeDb: 0, overGround })
    const leg = found.by.find((b) => b.what === 'leg')!.pairs[0]!
    expect(leg.flips).toBe(true)
    expect(byWords('leg', leg, id)).toMatch(
      /^It flips by leg: a is ahead on Shore \(\+1?\d\.\d dB\), b on Top/,
    )
    const still = await breakdown(two, FIELD)
    expect(byWords('leg', still.by.find((b) => b.what === 'leg')!.pairs[0]!, id)).toContain(
      'no change with the leg is sure',
    )
  })
  it('by the user’s own kinds of place: one against another, or each against the rest', async () => {
    const base = plan([link(rig('a')), link(rig('b'))], 24)
    const tagged = (tags: (i: number) => string[]) => ({
      ...base,
      marks: base.marks.map((m, i) => ({ ...m, tags: tags(i) })),
    })
    const kinds = tagged((i) => [i % 2 === 0 ? 'high' : 'low'])
    const high = new Set(kinds.marks.filter((m) => m.tags[0] === 'high').map((m) => m.id))
    const overGround = (l: Link, m: Mark) =>
      118 + 35 * Math.log10(m.distanceM / 1000) + (high.has(m.id) ? 1 : -1) * (l.id === 'a' ? 5 : -5)
    const found = await breakdown(kinds, { ...FIELD, groundLossDb: 0, extraSlopeDb: 0, overGround })
    const pair = found.by.find((b) => b.what === 'kind of place')!.pairs[0]!
    expect(byWords('kind of place', pair, id)).toMatch(
      /^It flips by kind of place: a is ahead at places “low” .*, b at places “high”/,
    )
    const two = tagged((i) => [...(i % 2 ? ['high'] : []), ...(i % 3 ? ['in the wood'] : [])])
    const by = (await breakdown(two, FIELD)).by.filter((b) => b.what === 'kind of place')
    expect(by).toHaveLength(1)
    expect(by[0]!.pairs.map((p) => p.within.map((w) => w.group).sort())).toEqual([
      ['high', 'not high'],
      ['in the wood', 'not in the wood'],
    ])
  })
  it('says nothing of groups with fewer than four marks', async () => {
    const few = await breakdown(plan([link(rig('a')), link(rig('b'))], 6), FIELD)
    expect(few.by.map((b) => b.what)).toEqual(['direction'])
    expect((await breakdown(plan([link(rig('a')), link(rig('b'))], 3), FIELD)).by).toEqual([])
    expect((await breakdown(plan([link(rig('a'))], 12), FIELD)).by).toEqual([])
  })
})

describe('does the log hold together', () => {
  it('sees levels drift, and says when the log has no times', async () => {
    const p = { ...plan([link(rig('a')), link(rig('b'))], 8, defaultScale('level'), 2), controlLinkId: 'a' }
    const input = inputOf(p, p.marks, [], true)
    const at = (h: number) => new Date(Date.UTC(2026, 4, 16, 8) + h * 3_600_000).toISOString()
    const drifting = (dbAnHour: number) =>
      logged(simulateRun(p, { ...FIELD, inDbm: true, fadingDb: 0.5, linkDb: 0, mostCalls: 1 })).map((c) => {
        const hours = Number(c.markId.slice(1)) / 8 + (c.repeat === 2 ? 3 : 0)
        const dbm = Number(c.text.replace(' dBm', ''))
        return {
          ...c,
          time: at(hours),
          text: Number.isNaN(dbm) ? c.text : `${Math.round(dbm + dbAnHour * hours)} dBm`,
        }
      })
    const of = async (checks: ReturnType<typeof drifting>) =>
      (await breakdownOf({ ...input, checks }, prepareFindings({ ...input, checks }), null)).drift
    const found = await of(drifting(-2))
    for (const { slope, surely } of found) {
      expect(surely).toBe(true)
      expect(Math.abs(slope.estimate + 2)).toBeLessThan(0.5)
    }
    expect(driftWords(found)[0]).toMatch(/^Levels to base drifted −[12]\.\d dB an hour/)
    for (const still of await of(drifting(0))) expect(Math.abs(still.slope.estimate)).toBeLessThan(0.3)
    expect(driftWords([])).toEqual([expect.stringContaining('the log has no times')])
  })
  it('points out a link whose readings jump, and nobody where none does', async () => {
    const p = plan([link(rig('a')), link(rig('b')), link(rig('c'))], 20)
    const { erratic } = await breakdown(p, { ...FIELD, erraticDb: { b: 14 } })
    expect(erratic.map((u) => u.linkId)).toEqual(['b'])
    expect(erraticWords(erratic[0]!, id)).toMatch(/^b jumps/)
    expect((await breakdown(p, FIELD)).erratic).toEqual([])
  })
})

describe('runs put together', () => {
  const p: TrialPlan = { ...plan([link(rig('a')), link(rig('b'))], 16), controlLinkId: 'a' }
  const run = (name: string, seed: number, more: Partial<SimulatedField> = {}, own = p) => ({
    id: name,
    name,
    plan: own,
    marks: own.marks,
    fixedBeforehand: true,
    checks: logged(simulateRun(own, { ...FIELD, seed, gainDbi: { a: 4, b: 0 }, ...more })).map((c) => ({
      ...c,
      id: `${name} ${c.id}`,
    })),
  })
  const pooled = async (parts: ReturnType<typeof run>[]) => {
    const { input, apart } = poolRuns(parts, p.copyRule, USUAL_CHOICES)
    const prepared = prepareFindings(input)
    return { apart, input, prepared, breakdown: await breakdownOf(input, prepared, null) }
  }
  it('narrow the difference, and show what each day did', async () => {
    const one = prepareFindings(poolRuns([run('first', 1)], p.copyRule, USUAL_CHOICES).input)
    const { prepared, breakdown: found } = await pooled([
      run('first', 1),
      run('second', 2, { groundLossDb: 15 }),
    ])
    const width = (x: typeof one) =>
      x.pairs.at(-1)!.evened!.interval90.high! - x.pairs.at(-1)!.evened!.interval90.low!
    // Each day's ground is drawn anew here, as no place does, so that the second day tells little.
    expect(width(prepared)).toBeLessThan(1.2 * width(one))
    const [offset] = found.offsets
    // The second day is 7 dB worse; each day's shadowing is drawn anew, which one day cannot tell from the day's own.
    expect(offset!.effect.estimate).toBeLessThan(0)
    expect(offsetWords(offset!, id, 'first')).toMatch(/^second (ran|is not surely other:) −\d/)
    expect(found.apart).toEqual([])
  })
  it('point at a run that does not fit, and drop none', async () => {
    const { breakdown: found, input } = await pooled([
      run('first', 1),
      run('second', 2),
      run('odd', 3, { gainDbi: { a: -14, b: 0 } }),
    ])
    expect(found.apart.some((a) => a.there.runId === 'odd')).toBe(true)
    expect(
      apartWords(
        found.apart.find((a) => a.there.runId === 'odd')!,
        id,
        id,
      ),
    ).toMatch(/^odd does not fit: there a less b/)
    expect(input.runs).toHaveLength(3)
  })
  it('keep a run with another scale out and say why; evened to the first run’s figures', async () => {
    const other = { ...p, scales: { base: defaultScale('words'), out: defaultScale('words') } }
    const { apart } = await pooled([run('first', 1), run('other', 2, {}, other)])
    expect(apart[0]!.why).toContain('another scale')
    const strong: TrialPlan = {
      ...p,
      links: p.links.map((l) => (l.id === 'a' ? { ...l, out: { ...l.out, powerW: 20 } } : l)),
    }
    const { input } = await pooled([run('first', 1), run('strong', 2, {}, strong)])
    const moved = input.checks.filter((c) => c.runId === 'strong' && c.linkId === 'a')
    expect(moved.find((c) => c.direction === 'to base')!.attenuationDb).toBeCloseTo(-10, 6)
    expect(moved.find((c) => c.direction === 'from base')!.attenuationDb).toBeCloseTo(0, 6)
  })
})

describe('against the prediction', () => {
  it('says by how much a direction runs under it, and the copies', async () => {
    const p = plan([link(rig('a')), link(rig('b'))], 20)
    const bare = { ...FIELD, groundLossDb: 0 }
    const expected = p.marks.flatMap((m) =>
      p.links.flatMap((l) =>
        p.directions.map((direction) => ({
          markId: m.id,
          key: linkKey(l),
          direction,
          levelDbm: medianLevel(l, direction, m.distanceM, bare),
          marginDb: 20,
          chance: 0.9,
        })),
      ),
    )
    const ground: PlanGround = { baseGroundM: 3, baseAntennaM: 8, legs: [], expected, correctedBy: null }
    const found = (await breakdown(p, { ...FIELD, groundLossDb: 10, shadowDb: 3 }, ground)).prediction!
    for (const o of found.offsets) {
      expect(o.low).toBeLessThan(-6)
      expect(o.high).toBeGreaterThan(-15)
    }
    expect(found.copies.checks).toBeGreaterThan(70)
    const words = predictionWords(found, id).join(' ')
    expect(words).toMatch(/To base, reports ran \d+\.\d dB under the prediction/)
    expect(words).toContain('if the meter’s S9 is where it should be')
  })
})

describe('other scales and other stations', () => {
  it('tells parts in steps and never in dB where the scale has none', async () => {
    const p = plan([link(rig('a')), link(rig('b'))], 20, defaultScale('readability'))
    const checks = simulateRun(p, { ...FIELD, gainDbi: { a: 9, b: 0 } }).map((c) => ({
      ...c,
      text: c.text.replace(/ by .*/, ''),
    }))
    const input = inputOf(p, p.marks, logged(checks), true)
    const found = await breakdownOf(input, prepareFindings(input), null)
    const far = found.by.find((b) => b.what === 'distance')!.pairs[0]!
    expect(far.unit).toBe('steps')
    expect(byWords('distance', { ...far, flips: true }, id)).toMatch(/\d steps of the scale\), b /)
  })
  it('counts what other stations said of both, with every meter’s step unknown', async () => {
    const p = plan([link(rig('a')), link(rig('b'))], 6)
    const say = (name: string, linkId: string, text: string): LoggedEvent => ({
      id: `${name}${linkId}`,
      time: '',
      device: 'd',
      body: { kind: 'station', name, place: '', direction: 'from base', linkId, text },
    })
    const events = ['Anna', 'Bert', 'Cilla', 'Dov', 'Eve'].flatMap((n, i) => [
      say(n, 'a', `5 by ${7 + (i % 2)}`),
      say(n, 'b', `5 by ${5 + (i % 2)}`),
    ])
    const { otherStations } = await breakdown(p, FIELD, null, [...events, say('Fay', 'a', '5 by 5')])
    expect(otherStations).toHaveLength(1)
    expect(otherStations[0]).toMatchObject({ wins: 5, draws: 0, losses: 0 })
    expect(otherStationsWords(otherStations[0]!, id)).toMatch(
      /^5 of the other stations gave a more, 0 the same, 0 gave b more, from base\. That is \+\d/,
    )
  })
})
