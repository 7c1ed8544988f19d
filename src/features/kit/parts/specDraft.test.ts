import { describe, expect, it } from 'vitest'
import { EXAMPLE_PARTS, PART_KINDS, specSchema, startSpec, type Part } from '@/core/kit'
import { KIND_NAMES, partFacts } from '../partWords'
import { draftOfSpec, specOfDraft, turnDraft, turnNumber } from './specDraft'

describe('a part in the form', () => {
  it.each(EXAMPLE_PARTS.map((e) => [e.id, e] as const))(
    '%s comes out of the form as it went in',
    (_id, { part }) => {
      const draft = draftOfSpec(part.kind, part.spec, 'metric')
      expect(specSchema(part.kind).validateSync(specOfDraft(part.kind, draft, 'metric'))).toEqual(part.spec)
    },
  )

  it('shows lengths and tubes in feet and inches, and stores metres', () => {
    const mast = EXAMPLE_PARTS.find((e) => e.id === 'mast-8')!.part
    const draft = draftOfSpec('mast', mast.spec, 'imperial')
    expect(draft).toMatchObject({ lowestM: '13.123', highestM: '26.247', tubeMm: '1.575' })
    const spec = specOfDraft('mast', draft, 'imperial') as { highestM: number; tubeMm: number }
    expect(spec.highestM).toBeCloseTo(8, 3)
    expect(spec.tubeMm).toBeCloseTo(40, 1)
  })

  it('turns what is typed and not saved when the units change, and leaves what is no number', () => {
    const typed = { ...draftOfSpec('mast', startSpec('mast'), 'metric'), highestM: '10', lowestM: 'two' }
    const turned = turnDraft('mast', typed, 'metric', 'imperial')
    expect(turned).toMatchObject({ highestM: '32.808', lowestM: 'two' })
    expect(Number(turnDraft('mast', turned, 'imperial', 'metric').highestM)).toBeCloseTo(10, 2)
    expect(turnNumber('5', 'W', 'metric', 'imperial')).toBe('5')
  })

  it('sends what is no number on as it was typed, for the border to refuse', () => {
    const draft = { ...draftOfSpec('lead', startSpec('lead'), 'metric'), lengthM: 'long' }
    expect(specOfDraft('lead', draft, 'metric').lengthM).toBe('long')
    const gain = {
      ...draftOfSpec('antenna', startSpec('antenna'), 'metric'),
      gain: { value: '3', reference: '' },
    }
    expect(specOfDraft('antenna', gain, 'metric').gain).toEqual({ value: '3', reference: null })
  })
})

describe('a part in a line', () => {
  it('every kind has a name and every example has facts without a gap', () => {
    for (const kind of PART_KINDS) expect(KIND_NAMES[kind]).toHaveLength(2)
    for (const { id, part } of EXAMPLE_PARTS) {
      const facts = partFacts({ ...part, id } as Part, 'metric')
      expect(facts).not.toMatch(/undefined|null|NaN/)
      expect(facts.length).toBeGreaterThan(2)
    }
  })

  it('says what is claimed, what is measured, and what a claim is against', () => {
    const facts = (id: string) => {
      const found = EXAMPLE_PARTS.find((e) => e.id === id)!
      return partFacts({ ...found.part, id } as Part, 'imperial')
    }
    expect(facts('collinear')).toContain('5.2 dBi measured')
    expect(facts('long-whip')).toContain('claims 2.5 dBi')
    expect(facts('stub')).toContain('claims 0 dB, against what?')
    expect(facts('vhf-rubber')).toContain('gain not known')
    expect(facts('lead-10-20')).toContain('65.62 ft')
    expect(facts('clamp')).toContain('tubes 1.181 to 1.969 in')
    expect(facts('handheld-vhf')).toContain('eco, not measured')
    expect(facts('handheld-fixed')).toContain('fixed antenna')
    expect(facts('choke')).toContain('clips on')
  })
})
