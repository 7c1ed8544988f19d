import { describe, expect, it } from 'vitest'
import { testEntry } from '@/core/testing/entries'
import { checkOf } from '@/core/testing/plans'
import { foldEntries, type EntryBody, type Mark, type ScheduledCheck, type TrialPlan } from '@/core/trial'
import { beforeLeg } from './beforeLeg'

const mark = (id: string, legId: string) => ({ id, legId, legName: legId }) as Mark
const plan = { marks: [mark('s1', 'Shore'), mark('t1', 'Top')] } as TrialPlan
const said = (at: string, ...bodies: EntryBody[]) =>
  beforeLeg({
    plan,
    log: foldEntries(bodies.map((b) => testEntry(b))),
    now: { mark: plan.marks.find((m) => m.id === at)! } as ScheduledCheck,
  })
const conditions: EntryBody = { kind: 'conditions', when: 'start', values: {}, ticked: [] }
const noise = (markId: string | null): EntryBody => ({ kind: 'noise', markId, text: 'S2', note: '' })
const check: EntryBody = { kind: 'check', ...checkOf('s1', 'a', '5 by 9') }

describe('what can only be logged before a leg', () => {
  it('is asked for until it is there', () => {
    expect(said('s1')).toBe('Before Shore: log the conditions and the noise on the channel, under More.')
    expect(said('s1', conditions)).toBe('Before Shore: log the noise on the channel, under More.')
    expect(said('s1', conditions, noise('s1'))).toBeNull()
    expect(said('s1', conditions, noise(null))).toBeNull()
  })
  it('is asked for again on the next leg, and no more once the leg is under way', () => {
    expect(said('t1', conditions, noise('s1'), check)).toBe(
      'Before Top: log the noise on the channel, under More.',
    )
    expect(said('s1', check)).toBeNull()
  })
})
