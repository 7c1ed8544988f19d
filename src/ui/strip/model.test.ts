import { describe, expect, it } from 'vitest'
import { testEntry } from '@/core/testing/entries'
import { checkOf, link, mark, planWith, rig } from '@/core/testing/plans'
import { foldEntries, type Entry, type EntryBody } from '@/core/trial'
import { looksOf } from '@/ui/theme/palette'
import { axisPlace, axisTicks } from './axis'
import { stripModel } from './model'

const plan = planWith({
  links: ['a', 'b'].map((id) => link(rig(id, { name: `Rig ${id}` }), rig('z'))),
  marks: [1, 2, 3].map((i) =>
    mark(`m${i}`, i * 800, { name: `S0${i}`, ...(i < 3 ? {} : { legId: 'k', legName: 'Top' }) }),
  ),
  directions: ['to base', 'from base'],
  order: { scheme: 'as listed', seed: 1 },
})
const entry = (n: number, body: EntryBody, supersedes: string | null = null): Entry =>
  testEntry(body, { id: `e${n}`, seq: n, supersedes })
const check = (n: number, markId: string, text: string, state: 'graded' | 'sent' = 'graded') =>
  entry(n, { kind: 'check', ...checkOf(markId, 'a', text, { calls: 2, remark: 'wet', state }) })

describe('stripModel', () => {
  it('is the plan before a run: every check still to make', () => {
    const model = stripModel(plan, plan.marks, foldEntries([]))
    expect(model.lanes.map((l) => l.posts.length)).toEqual([6, 6])
    expect(model.lanes[0]!.posts.every((p) => p.state === 'to do')).toBe(true)
    expect(model).toMatchObject({ nearestM: 800, farthestM: 2400 })
  })
  it('is the progress in a run: heard, not heard, not read, not graded, skipped; void ones are to make again', () => {
    const log = foldEntries([
      check(1, 'm1', '5 by 9+20'),
      check(2, 'm2', 'nil'),
      check(3, 'm3', 'mumble'),
      entry(4, {
        kind: 'skip',
        keys: [{ markId: 'm1', linkId: 'a', direction: 'from base', repeat: 1 }],
        reason: '',
      }),
    ])
    const posts = stripModel(plan, plan.marks, log).lanes[0]!.posts
    const at = (mark: string, direction: string) =>
      posts.find((p) => p.markName === mark && p.direction === direction)!
    expect(at('S01', 'to base')).toMatchObject({
      state: 'heard',
      readability: 5,
      said: '5 by 9+20, 2 calls',
      remark: 'wet',
    })
    expect(at('S01', 'from base').state).toBe('skipped')
    expect(at('S02', 'to base').state).toBe('not heard')
    expect(at('S03', 'to base').state).toBe('not read')
    expect(at('S03', 'from base').state).toBe('to do')
    const voided = foldEntries([check(1, 'm1', '5 by 9'), entry(2, { kind: 'void', reason: 'x' }, 'e1')])
    expect(stripModel(plan, plan.marks, voided).lanes[0]!.posts.every((p) => p.state === 'to do')).toBe(true)
    const sent = stripModel(plan, plan.marks, foldEntries([check(1, 'm1', 'recorded', 'sent')]))
    expect(sent.lanes[0]!.posts.find((p) => p.id === 'e1')!.state).toBe('not graded')
  })
  it('stands stronger reports higher', () => {
    const heights = ['5 by 3', '5 by 7', '5 by 9+40'].map((text) => {
      const log = foldEntries([check(1, 'm1', text)])
      return stripModel(plan, plan.marks, log).lanes[0]!.posts.find((p) => p.id === 'e1')!.height!
    })
    expect([...heights].sort((a, b) => a - b)).toEqual(heights)
  })
  it('shows one leg, and a wedge that thins out', () => {
    const model = stripModel(plan, plan.marks, foldEntries([]), new Map(), 'l')
    expect(new Set(model.lanes[0]!.posts.map((p) => p.markName))).toEqual(new Set(['S01', 'S02']))
    const { wedge } = model.lanes[0]!
    expect(wedge[0]!.chance).toBeGreaterThan(wedge[wedge.length - 1]!.chance)
  })
})

describe('the axis', () => {
  it('puts places between nought and one on every scale, in order', () => {
    for (const scale of ['root', 'even', 'lg'] as const) {
      const places = [800, 1600, 2400].map((d) => axisPlace(d, 2400, 800, scale))
      expect([...places].sort((a, b) => a - b)).toEqual(places)
      expect(places[0]).toBeGreaterThan(0)
      expect(places[2]).toBeLessThan(1)
    }
    expect(axisPlace(600, 2142.857, 100, 'root')).toBeCloseTo(0.5, 2)
  })
  it('has round figures, and not too many', () => {
    expect(axisTicks(6.5, 0.3, 'even')).toEqual([1, 2, 3, 4, 5, 6])
    expect(axisTicks(6.5, 0.3, 'lg')).toEqual([0.5, 1, 2, 5])
    for (const end of [0.2, 0.9, 3, 14, 90]) expect(axisTicks(end, end / 20, 'root').length).toBeLessThan(12)
  })
})

describe('looksOf', () => {
  it('gives a letter the same look everywhere, and no two rigs of a trial the same', () => {
    expect(looksOf(['H'])).toEqual([7])
    expect(looksOf(['A', 'B', 'H'])).toEqual([0, 1, 7])
    expect(new Set(looksOf(['A', 'I', 'Q', 'B'])).size).toBe(4)
    expect(looksOf([...'ABCDEFGHIJ'])).toHaveLength(10)
  })
})
