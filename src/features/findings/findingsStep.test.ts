import { describe, expect, it } from 'vitest'
import type { Findings } from '@/core/findings'
import { USUAL_COPY_RULE } from '@/core/reports'
import { differencesCsv, reachesCsv } from './findingsCsv'
import { paramsFromRule, ruleFromParams } from './ruleParams'

describe('a copy rule in an address', () => {
  it('goes there and back', () => {
    for (const rule of [
      USUAL_COPY_RULE,
      { minReadability: null, maxCalls: 1, minLevel: -110, minShare: 0.6 },
    ]) {
      const params = Object.fromEntries(new URLSearchParams(paramsFromRule(rule, 'r')))
      expect(ruleFromParams(params, { ...USUAL_COPY_RULE, minReadability: 5 })).toEqual(rule)
    }
  })
  it('takes the plan’s for what is not named or cannot be', () => {
    expect(ruleFromParams({}, USUAL_COPY_RULE)).toEqual(USUAL_COPY_RULE)
    expect(ruleFromParams({ readability: '9', calls: 'many' }, USUAL_COPY_RULE)).toEqual(USUAL_COPY_RULE)
  })
})

describe('findings as CSV', () => {
  const findings = {
    copyRuleInWords: 'heard at all on the first call',
    pairs: [
      {
        a: 'a',
        b: 'b',
        scope: 'both',
        evened: { estimate: -5.236, interval90: { low: -7, high: null }, marksUsed: ['1', '2'], method: 'm' },
        raw: null,
        wins: { wins: 1, draws: 2, losses: 9, p: 0.02148 },
        verdict: { kind: 'better', which: 'b' },
        marksReported: 12,
      },
    ],
    reaches: [
      {
        linkId: 'a',
        direction: 'to base',
        copied: 5,
        checks: 12,
        reaches: [
          {
            chance: 0.9,
            estimateM: 1234.6,
            lowM: null,
            highM: 1999,
            seen: 'some copied',
            extrapolated: false,
            method: 'Firth',
          },
        ],
      },
    ],
  } as unknown as Findings
  const name = (id: string) => `Rig "${id}", old`
  it('quotes names, leaves open ends empty, and rounds', () => {
    const [head, row] = differencesCsv(findings, name).split('\r\n')
    expect(head!.split(',')).toHaveLength(17)
    expect(row).toBe(
      'both,"Rig ""a"", old","Rig ""b"", old",better,"Rig ""b"", old",-5.24,-7,,,,,2,1,2,9,0.0215,m',
    )
    expect(reachesCsv(findings, name).split('\r\n')[1]).toBe(
      '"Rig ""a"", old",to base,0.9,1235,,1999,some copied,false,5,12,heard at all on the first call,Firth',
    )
  })
})
