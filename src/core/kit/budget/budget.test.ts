import { describe, expect, it } from 'vitest'
import { eirpDbm, mismatchLossDb } from '@/core/rf'
import { knownDifferences, type Rig } from '../rig/rig'
import {
  budgetFigures,
  budgetsOf,
  figuresOfAssembly,
  placeParts,
  receivingOf,
  receivingFigure,
  antennaSwr,
  lineOf,
  settingFor,
  startSpec,
} from '..'
import { built, item, kit, kitWith } from '@/core/testing/kit'
import type { PartOf } from '../parts/part'

const at = { txMHz: 460, rxMHz: null, powerW: 25, antennaHeightM: 8 }
const budget = (assembly: ReturnType<typeof built>, parts = kit, settings = at) =>
  budgetsOf(placeParts(assembly, parts), settings)[0]!

describe('budgetOf', () => {
  const base = built('desk-uhf', ['lead-10-12', 'collinear'], { mount: 'clamp', mast: 'mast-8' })
  it('falls and rises dB by dB to the EIRP', () => {
    const { tx } = budget(base)
    // By hand: (0.40 √460 + 0.0009·460)·0.12 = 1.079 dB, two pairs 0.10 dB, gain 3.05 dBd = 5.20 dBi, SWR 1.2.
    expect(tx.matchedLossDb).toBeCloseTo(1.179, 3)
    expect(tx.gainDbi).toBeCloseTo(5.2, 6)
    expect(tx.eirpDbm).toBeCloseTo(eirpDbm(25, 5.2, tx.lossDb), 9)
    expect(tx.erpDbm).toBeCloseTo(tx.eirpDbm - 2.15, 9)
    expect(tx.steps[tx.steps.length - 1]!.levelDbm).toBe(tx.eirpDbm)
    // Forward power: what is lost in all is the matched loss and the antenna's own mismatch loss.
    expect(tx.lossDb).toBeCloseTo(tx.matchedLossDb + mismatchLossDb(0.2 / 2.2), 9)
  })
  it('the plan’s lossy lead: the radio sees 1.48 where the antenna stands at 3', () => {
    const parts = kitWith(
      'dipole',
      (p) =>
        ({
          ...p,
          spec: {
            ...p.spec,
            bands: [],
            connector: { family: 'UHF', gender: 'female', reverse: false },
            swr: [{ frequencyMHz: 155, swr: 3 }],
          },
        }) as PartOf<'antenna'>,
    )
    const { tx } = budget(built('mobile-uhf', ['lead-5-20', 'dipole']), parts, { ...at, txMHz: 155 })
    // By hand: 4.14 dB of line and 0.10 dB of connectors, 0.5 / 10^0.424 = 0.188, so 1.46; the line alone
    // would give 1.48.
    expect(tx.swrAtRadio).toBeCloseTo(1.464, 3)
    expect(tx.swrAtAntenna).toBe(3)
    expect(budgetFigures(tx).swr.value).toBe('1.46, 3.00')
  })
  it('each direction at its own frequency', () => {
    const parts = kitWith(
      'collinear',
      (p) =>
        ({
          ...p,
          spec: {
            ...p.spec,
            swr: [
              { frequencyMHz: 450, swr: 1 },
              { frequencyMHz: 460, swr: 3 },
            ],
          },
        }) as PartOf<'antenna'>,
    )
    const { tx, rx } = budget(base, parts, { ...at, txMHz: 450, rxMHz: 460 as never })
    expect(tx.swrAtAntenna).toBe(1)
    expect(rx.swrAtAntenna).toBe(3)
    expect(rx.lossDb).toBeGreaterThan(tx.lossDb + 1)
    const figures = figuresOfAssembly(base, { ...at, txMHz: 450, rxMHz: 460 }, parts)
    expect(figures.atRx!.leadLossDb).toBeCloseTo(rx.lossDb, 9)
    expect(figures.leadLossDb).toBeCloseTo(tx.lossDb, 9)
  })
  it('a difference known at one frequency is taken out of the direction that uses it', () => {
    const split = { ...at, txMHz: 450, rxMHz: 460 }
    const parts = kitWith(
      'collinear',
      (p) =>
        ({
          ...p,
          spec: {
            ...p.spec,
            swr: [
              { frequencyMHz: 450, swr: 1 },
              { frequencyMHz: 460, swr: 3 },
            ],
          },
        }) as PartOf<'antenna'>,
    )
    const rigAt = (id: string, chain: string[]): Rig => ({
      id,
      letter: id,
      name: id,
      kind: 'base',
      ...split,
      ...figuresOfAssembly(built('desk-uhf', chain), split, parts),
    })
    const out = rigAt('o', ['lead-10-20', 'beam'])
    const link = (b: Rig) => ({ id: b.id, letter: b.letter, name: b.name, base: b, out })
    const [a, b] = [link(rigAt('a', ['lead-10-12', 'collinear'])), link(rigAt('b', ['lead-10-12', 'beam']))]
    const lead = (d: 'to base' | 'from base') =>
      knownDifferences(a, b, d).find((k) => k.what === 'lead loss')!.db
    // The base receives at 460, where its collinear stands at SWR 3, and sends at 450, where it is matched.
    expect(lead('to base')).toBeLessThan(-1)
    expect(lead('from base')).toBeGreaterThan(0)
  })
  it('a claimed gain is shown and never known; a body is a setting of its mount', () => {
    const { tx } = budget(built('handheld-uhf', ['long-whip'], { mount: 'at-chest' }), kit, {
      ...at,
      powerW: 2,
    })
    expect(tx).toMatchObject({ gainSource: 'claimed', gainDbi: 2.5, bodyLossDb: 4 })
    expect(
      figuresOfAssembly(built('handheld-uhf', ['long-whip']), { ...at, powerW: 2 }, kit).antennaGainDbi,
    ).toBeNull()
    const stub = budget(built('handheld-uhf', ['stub']), kit, { ...at, powerW: 2 }).tx
    expect(stub).toMatchObject({ gainSource: 'not known', gainDbi: null })
    expect(stub.steps.map((s) => s.name)).toContain('Stub whip, 8 cm')
  })
  it('an attenuator counts apart from the lead', () => {
    const { tx } = budget(built('handheld-uhf', ['att-10', 'long-whip']), kit, { ...at, powerW: 2 })
    // 10 dB, two pairs of connectors, and what SWR 1.3 costs: 0.074 dB.
    expect(tx.attenuatorDb).toBeCloseTo(10.174, 3)
    expect(tx.lossDb).toBeLessThan(0.2)
  })
  it('of two ports the mean is compared', () => {
    const one = built('data-two', ['data-whip'])
    const two = {
      ...one,
      ports: [one.ports[0]!, { ...one.ports[0]!, items: [item('att-10'), item('data-whip')] }],
    }
    const at915 = { ...at, txMHz: 915, powerW: 1 }
    const [a, b] = budgetsOf(placeParts(two, kit), at915)
    expect(figuresOfAssembly(two, at915, kit).attenuatorDb).toBeCloseTo(
      (a!.tx.attenuatorDb + b!.tx.attenuatorDb) / 2,
      9,
    )
  })
  it('names parts that are gone, and a fixed antenna', () => {
    expect(placeParts(built('handheld-uhf', ['nothing-there']), kit).missing).toEqual(['nothing-there'])
    const fixed = budget(built('handheld-fixed', []), kit, { ...at, powerW: 0.5 }).tx
    expect(fixed.steps[fixed.steps.length - 1]!.name).toBe('Fixed antenna')
  })
})

describe('receiving', () => {
  it('brings the sensitivity through the chain, raised by noise from outside', () => {
    const { rx } = budget(built('desk-uhf', ['lead-10-12', 'collinear']))
    const spec = kit.find((p) => p.id === 'desk-uhf')!.spec as PartOf<'radio'>['spec']
    const r = receivingOf(spec, rx, 'city')!
    expect(r.atRadioDbm).toBeCloseTo(-120.14, 2) // 20 lg 0.22 - 106.99
    expect(r.raisedByNoiseDb).toBeGreaterThan(0)
    expect(r.inTheAirDbm).toBeCloseTo(r.atRadioDbm + r.raisedByNoiseDb + rx.lossDb - 5.2, 9)
    expect(receivingFigure(spec, r, rx, 'city').trace.source).toContain('extrapolated above 250 MHz')
    expect(receivingOf({ ...spec, sensitivity: null }, rx, 'rural')).toBeNull()
  })
})

describe('antennas that are set, and curves', () => {
  const telescopic = kit.find((p) => p.id === 'telescopic')!.spec as PartOf<'antenna'>['spec']
  it('interpolates the maker’s chart and answers nothing outside it', () => {
    expect(settingFor(telescopic, 145)).toBeCloseTo(501.5, 6)
    expect(settingFor(telescopic, 144)).toBe(505)
    expect(settingFor(telescopic, 150)).toBeNull()
    expect(settingFor(telescopic, 140)).toBeNull()
  })
  it('interpolates |Γ|, and says where it was not measured', () => {
    const spec = {
      ...startSpec('antenna'),
      swr: [
        { frequencyMHz: 440, swr: 3 },
        { frequencyMHz: 460, swr: 1 },
      ],
    }
    expect(antennaSwr(spec, 450).swr).toBeCloseTo(5 / 3, 9) // |Γ| 0.25
    expect(antennaSwr(spec, 430)).toEqual({ swr: 3, outside: true })
    expect(antennaSwr(spec, 470)).toEqual({ swr: 1, outside: true })
    expect(antennaSwr(startSpec('antenna'), 450)).toEqual({ swr: null, outside: false })
  })
  it('a data sheet goes before the typical line', () => {
    const spec = { ...startSpec('lead'), points: [{ frequencyMHz: 100, dbPer100m: 10 }] }
    expect(lineOf(spec)).toMatchObject({ k1: 1, k2: 0 })
    expect(() => lineOf({ ...spec, points: [], line: 'string' })).toThrow(/no kind of line/)
  })
})
