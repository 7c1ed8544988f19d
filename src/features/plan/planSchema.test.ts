import { describe, expect, it } from 'vitest'
import { defaultScale, NOMINAL_METER, USUAL_COPY_RULE } from '@/core/reports'
import { planSchema } from './planSchema'

const scale = defaultScale('readability-strength')
const plan = {
  name: 'T',
  question: '',
  way: 'marks',
  directions: ['to base'],
  scales: { base: scale, out: scale },
  copyRule: USUAL_COPY_RULE,
  repeats: 1,
  orderScheme: 'balanced',
  orderSeed: 4,
  sameAs: ['Same operator'],
  marginDb: 3,
  surroundings: 'mixed',
  earStates: [],
  reliability: 0.9,
  needFloorM: null,
  needCeilingM: null,
  links: [{ baseRigId: 'z', outRigId: 'a' }],
}
const why = (change: object) => {
  try {
    planSchema.validateSync({ ...plan, ...change })
    return 'taken'
  } catch (e) {
    return (e as Error).message
  }
}

describe('planSchema', () => {
  it('takes a plan, and keeps its scales as they are', () => {
    expect(planSchema.validateSync(plan).scales.base).toEqual(scale)
  })
  it.each([
    [{ name: ' ' }, 'The trial needs a name'],
    [{ directions: [] }, 'Choose at least one direction'],
    [{ repeats: 0 }, 'At least one'],
    [{ marginDb: 0 }, 'above 0 dB'],
    [
      { links: Array.from({ length: 9 }, (_, i) => ({ baseRigId: 'z', outRigId: String(i) })) },
      'At most eight links',
    ],
    [
      { scales: { base: scale, out: { kind: 'words', words: [{ step: 0, words: ['nil'] }] } } },
      'at least two steps',
    ],
    [
      { scales: { base: scale, out: { ...scale, strength: { ...NOMINAL_METER, stepDb: 40 } } } },
      'from 1 to 10 dB',
    ],
    [{ scales: { base: scale, out: { kind: 'telepathy' } } }, 'out'],
    [{ reliability: 0.2 }, 'from 50 to 99'],
    [{ needFloorM: 0 }, 'above 0'],
    [{ needFloorM: 3000, needCeilingM: 2000 }, 'nearer distance'],
    [{ earStates: [{ name: 'fine', means: 'clear' }] }, 'none of it is copied'],
    [
      {
        earStates: [
          { name: 'gone', means: 'lost' },
          { name: 'Gone', means: 'broken' },
        ],
      },
      'same name',
    ],
    [{ earStates: [{ name: ' ', means: 'lost' }] }, 'needs a name'],
    [{ orderScheme: 'as it comes' }, 'orderScheme'],
    [{ copyRule: { ...USUAL_COPY_RULE, maxCalls: 0 } }, 'maxCalls'],
  ])('refuses %j', (change, message) => {
    expect(why(change)).toContain(message)
  })
})
