import { describe, expect, it } from 'vitest'
import { swrText } from '@/core/rf'
import {
  bandsText,
  budgetFigures,
  budgetsOf,
  dbmText,
  dbText,
  EXAMPLE_RULE_SETS,
  inBands,
  keepAwayFigure,
  placeParts,
  readBands,
  readPairs,
  readPowers,
  sensitivityDbm,
  startSpec,
  statedDbi,
  wattText,
} from '..'
import { built, kit } from '@/core/testing/kit'

describe('figures in words', () => {
  it('dB and dBm with a true minus sign, nought without one', () => {
    expect([dbText(-1.25), dbText(3), dbText(-0.04), dbText(1.179, 2)]).toEqual([
      '−1.3 dB',
      '3.0 dB',
      '0 dB',
      '1.18 dB',
    ])
    expect([dbmText(-118.44), dbmText(43.98)]).toEqual(['−118.4 dBm', '44.0 dBm'])
  })

  it('watts with three digits, milliwatts below a tenth', () => {
    expect([wattText(25), wattText(0.5), wattText(0.0123), wattText(31.62)]).toEqual([
      '25 W',
      '0.5 W',
      '12.3 mW',
      '31.6 W',
    ])
  })

  it('SWR with fewer digits the worse it is', () => {
    expect([swrText(1.464), swrText(12.3), swrText(45), swrText(Infinity)]).toEqual([
      '1.46',
      '12',
      'over 20',
      'over 20',
    ])
  })

  it('bands and stated gains', () => {
    const bands = [
      { fromMHz: 144, toMHz: 146 },
      { fromMHz: 430, toMHz: 440 },
    ]
    expect(bandsText(bands)).toBe('144 to 146 MHz, 430 to 440 MHz')
    expect([inBands(bands, 145), inBands(bands, 146), inBands(bands, 200)]).toEqual([true, true, false])
    expect(statedDbi({ value: 3, reference: 'dBd' })).toBeCloseTo(5.15, 9)
    expect(statedDbi({ value: 3, reference: 'dBi' })).toBe(3)
    expect(statedDbi({ value: 3, reference: null })).toBeNull()
    expect(statedDbi(null)).toBeNull()
  })

  it('a sensitivity in microvolts across the load, as EMF, or in dBm', () => {
    const spec = { ...startSpec('radio'), sensitivity: 0.25 }
    expect(sensitivityDbm(spec)).toBeCloseTo(-119.03, 2)
    expect(sensitivityDbm({ ...spec, sensitivityAcross: 'EMF' })).toBeCloseTo(-125.05, 2)
    expect(sensitivityDbm({ ...spec, sensitivity: -118, sensitivityUnit: 'dBm' })).toBe(-118)
    expect(sensitivityDbm({ ...spec, sensitivity: null })).toBeNull()
  })
})

describe('the distance that people keep', () => {
  const figure = (
    assembly: ReturnType<typeof built>,
    more: { txMHz?: number; powerW?: number; units?: 'metric' | 'imperial' } = {},
  ) => {
    const at = { txMHz: more.txMHz ?? 460, rxMHz: null, powerW: more.powerW ?? 25, antennaHeightM: 8 }
    const placed = placeParts(assembly, kit)
    const { tx } = budgetsOf(placed, at)[0]!
    return keepAwayFigure(placed.ports[0]!, tx, at.powerW, EXAMPLE_RULE_SETS[0]!, more.units ?? 'metric')
  }
  const mast = built('desk-uhf', ['lead-10-20', 'collinear'], { mount: 'clamp', mast: 'mast-8' })

  it('counts power and gain and no losses, and is rounded up in either system', () => {
    // √(25 · 3.311 · 4 / (4π · 2.3)) = 3.385 m, up to 3.4 m or 11.2 ft.
    expect(figure(mast).value).toBe('3.4 m')
    expect(figure(mast, { units: 'imperial' }).value).toBe('11.2 ft')
    expect(figure(mast).trace.inputs.find((i) => i.name === 'Limit')!.value).toBe('2.3 W/m²')
  })

  it('is none for a radio at the body, below 30 MHz, and where no limit is known', () => {
    expect(figure(built('handheld-uhf', ['stub'], { mount: 'at-chest' }), { powerW: 2 }).value).toContain(
      'at the body',
    )
    expect(figure(mast, { txMHz: 7.1 }).value).toContain('below 30 MHz')
    const nowhere = keepAwayFigure(
      placeParts(mast, kit).ports[0]!,
      budgetsOf(placeParts(mast, kit), { txMHz: 460, rxMHz: null, powerW: 25, antennaHeightM: 8 })[0]!.tx,
      25,
      { ...EXAMPLE_RULE_SETS[0]!, exposure: [] },
      'metric',
    )
    expect(nowhere.value).toContain('no limit known')
  })

  it('every figure of a budget names its inputs, its formula and its source', () => {
    const { tx } = budgetsOf(placeParts(mast, kit), {
      txMHz: 460,
      rxMHz: null,
      powerW: 25,
      antennaHeightM: 8,
    })[0]!
    for (const f of [
      ...Object.values(budgetFigures(tx)),
      figure(mast),
      ...tx.steps.map((s) => ({ ...s, value: '', label: '' })),
    ]) {
      expect(f.trace.formula.length).toBeGreaterThan(3)
      expect(f.trace.source.length).toBeGreaterThan(3)
      expect(f.trace.inputs.every((i) => i.name !== '' && !/undefined|NaN/.test(i.value))).toBe(true)
    }
  })
})

describe('lists as they are typed', () => {
  it.each([
    ['144', 'is no band'],
    ['144 146', 'is no band'],
    ['440-430', 'must be above the first'],
    ['144 to', 'is no band'],
    ['0 to 30', 'must be above the first'],
  ])('refuses the band %j', (text, message) => {
    const outcome = readBands(text)
    expect(outcome.ok ? 'taken' : outcome.problems[0]!.message).toContain(message)
  })

  it.each([
    ['high', 'is no power setting'],
    ['high 0', 'is no power setting'],
    ['high 9999', 'is no power setting'],
    ['high 5; low', 'low'],
  ])('refuses the powers %j', (text, message) => {
    const outcome = readPowers(text)
    expect(outcome.ok ? 'taken' : outcome.problems[0]!.message).toContain(message)
  })

  it.each([
    ['460', 'Line 1'],
    ['460 1.2 3', 'Line 1'],
    ['460 1.2\nx y', 'Line 2'],
  ])('refuses the pairs %j', (text, message) => {
    const outcome = readPairs(text, '460 1.4')
    expect(outcome.ok ? 'taken' : outcome.problems[0]!.message).toContain(message)
    expect(outcome.ok ? '' : outcome.problems[0]!.message).toContain('Write it as 460 1.4')
  })

  it('takes pairs by space, colon or tab, with comma or point', () => {
    expect(readPairs('460: 1,4\n470\t1.6\n\n', '')).toEqual({
      ok: true,
      value: [
        [460, 1.4],
        [470, 1.6],
      ],
    })
    expect(readBands('')).toEqual({ ok: true, value: [] })
    expect(readPowers('')).toEqual({ ok: true, value: [] })
  })
})
