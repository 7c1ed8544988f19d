import { describe, expect, it } from 'vitest'
import type { Findings } from '@/core/findings'
import { USUAL_COPY_RULE } from '@/core/reports'
import { differencesCsv, reachesCsv } from '../export/findingsCsv'
import { dbTicks, lgTicks, onAxis, roundDomain } from '../figures/chartAxes'
import { USUAL_CHOICES } from '@/core/findings'
import { choicesText } from './choicesText'
import { queryOf } from './request'
import {
  settingsFromParams,
  paramsFromSettings,
  paramsFromRule,
  ruleFromParams,
  type Settings,
} from './ruleParams'

describe('a copy rule in an address', () => {
  it('goes there and back', () => {
    for (const rule of [
      USUAL_COPY_RULE,
      { minReadability: null, maxCalls: 1, minLevel: -110, minShare: 0.6, minWord: 2, minFigure: 5 },
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

describe('knobs in an address', () => {
  const plan = {
    copyRule: USUAL_COPY_RULE,
    marginDb: 3,
    reliability: 0.9,
    need: { floorM: 900, ceilingM: null },
  }
  it('go there and back', () => {
    const settings: Settings = {
      by: 'second',
      rule: { ...USUAL_COPY_RULE, maxCalls: 1 },
      marginDb: 6,
      reliability: 0.5,
      need: { floorM: null, ceilingM: 4000 },
      areaId: 'bay',
      choices: {
        evening: ['power', 'height'],
        unitStepDb: 'unknown',
        leftOut: [
          { what: 'mark', id: 'm1', reason: 'a lorry stood there: 100 % in the way & moving' },
          { what: 'check', id: 'a:b', reason: 'plug' },
        ],
      },
      withRuns: ['r2', 'r3'],
      claims: { x: 8000 },
      sky: {
        antennas: {
          x: { kind: 'horizontal dipole', heightM: 6, groundLossDb: 1 },
          y: { kind: 'quarter-wave vertical', heightM: 0, groundLossDb: 3 },
        },
        layerKm: 250,
      },
    }
    const there = queryOf(new URLSearchParams(paramsFromSettings(settings, 'r')))
    expect(settingsFromParams(there, plan)).toEqual(settings)
  })
  it('pass over what is broken and keep the rest', () => {
    const broken = {
      out: ['tree:x:y', 'mark:m1', 'leg:l:%E0%A4%A', 'leg:l1:wet'],
      claim: 'x:-3',
      sky: ['x:dish:2:1', 'y:dipole:900:1'],
      step: '99',
      even: 'power,magic',
      layer: '5',
    }
    const settings = settingsFromParams(broken, plan)
    expect(settings.choices.leftOut).toEqual([{ what: 'leg', id: 'l1', reason: 'wet' }])
    expect(settings.choices.evening).toEqual(['power'])
    expect(settings.choices.unitStepDb).toBeNull()
    expect(settings.claims).toEqual({})
    expect(settings.sky).toEqual({ antennas: {}, layerKm: 300 })
  })
  it('are said in a line', () => {
    const usual = settingsFromParams({}, plan)
    expect(choicesText(usual, [], 'r')).toBe(
      'this run; all that is known evened, height left in; meters as declared; nothing left out.',
    )
    const turned = { ...usual, withRuns: ['s'], choices: { ...usual.choices, evening: [], unitStepDb: 5 } }
    expect(choicesText(turned, [{ id: 'r' }, { id: 's' }], 'r')).toBe(
      'this run and 1 more; nothing evened; S-units of 5 dB; nothing left out.',
    )
  })
  it('keep the plan’s where they are not named, or are none', () => {
    const own: Settings = {
      by: 'first',
      rule: USUAL_COPY_RULE,
      marginDb: 3,
      reliability: 0.9,
      need: plan.need,
      areaId: null,
      choices: USUAL_CHOICES,
      withRuns: [],
      claims: {},
      sky: { antennas: {}, layerKm: 300 },
    }
    expect(settingsFromParams({}, plan)).toEqual(own)
    expect(settingsFromParams({ margin: '-2', often: 'always' }, plan)).toEqual(own)
  })
})

describe('axes', () => {
  it('are in the user’s unit, with round figures through nought', () => {
    expect(onAxis(1609.344, 'imperial')).toBe(1)
    expect(lgTicks(0.3, 6)).toEqual([0.5, 1, 2, 5])
    expect(lgTicks(0.6, 0.9)).toEqual([0.6, 0.9])
    expect(roundDomain([-13, 22], 5)).toEqual([-15, 25])
    expect(roundDomain([], 5)).toEqual([-5, 5])
    expect(dbTicks([-25, 15])).toEqual([-20, -10, 0, 10])
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
        evened: { estimate: -5.236, interval90: { low: -7, high: null }, marksUsed: ['1', '2'] },
        raw: null,
        joint: {},
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
      'both,"Rig ""a"", old","Rig ""b"", old",better,"Rig ""b"", old",-5.24,-7,,,,,2,1,2,9,0.0215,joint model',
    )
    expect(reachesCsv(findings, name).split('\r\n')[1]).toBe(
      '"Rig ""a"", old",to base,0.9,1235,,1999,some copied,false,5,12,heard at all on the first call,joint model',
    )
  })
})
