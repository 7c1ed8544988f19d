import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { mismatchLossDb, gammaOfSwr } from '@/core/rf'
import {
  applyFix,
  assessRig,
  budgetsOf,
  CONNECTOR_FAMILIES,
  EMPTY_ASSEMBLY,
  endText,
  isChainPart,
  mateOf,
  mating,
  packingList,
  placeParts,
  putPart,
  solveAdapters,
  takeOut,
  type Assembly,
  type ConnectorEnd,
  type OwnedAdapter,
  type PartOf,
} from '..'
import { kit } from '@/core/testing/kit'

const end: fc.Arbitrary<ConnectorEnd> = fc
  .tuple(fc.constantFrom(...CONNECTOR_FAMILIES), fc.constantFrom('male', 'female'), fc.boolean())
  .map(([f, gender, reverse]) => ({ family: f.id, gender, reverse: reverse && f.hasReverse }) as ConnectorEnd)

const chainParts = kit.filter(isChainPart)
const radios = kit.filter((p): p is PartOf<'radio'> => p.kind === 'radio')
const anything = fc.array(fc.constantFrom(...kit), { maxLength: 10 })

/** A rig of whatever was put in, in whatever order. */
const build = (radio: PartOf<'radio'>, parts: typeof kit): Assembly =>
  [radio, ...parts.filter((p) => p.kind !== 'radio')].reduce<Assembly>(
    (a, p) => putPart(a, p, kit, 0),
    EMPTY_ASSEMBLY,
  )

describe('connectors', () => {
  it('mating is the same from both sides, and an end mates with its own mate alone', () => {
    fc.assert(
      fc.property(end, end, (a, b) => {
        expect(mating(a, b).mates).toBe(mating(b, a).mates)
        expect(mating(a, b).mates).toBe(JSON.stringify(b) === JSON.stringify(mateOf(a)))
        const words = mating(a, b)
        if (!words.mates) expect(words.words).toContain(endText(a))
      }),
    )
  })

  it('a solution joins end to end, uses no adapter more often than owned, and is no longer than needed', () => {
    const adapter = fc.record({ a: end, b: end, free: fc.integer({ min: 0, max: 2 }) })
    fc.assert(
      fc.property(end, end, fc.array(adapter, { maxLength: 7 }), (near, far, list) => {
        const owned: OwnedAdapter[] = list.map(({ a, b, free }, i) => ({
          free,
          part: {
            ...(kit.find((p) => p.kind === 'adapter') as PartOf<'adapter'>),
            id: `${i}`,
            name: `${i}`,
            spec: { a, b, lossDb: null },
          },
        }))
        const solution = solveAdapters(near, far, owned, 450)
        if (!solution.solved) {
          expect(mating(near, solution.buy.a).mates).toBe(true)
          expect(mating(solution.buy.b, far).mates).toBe(true)
          return
        }
        let open = near
        for (const step of solution.steps) {
          const { spec } = owned.find((o) => o.part.id === step.partId)!.part
          expect(mating(open, step.flipped ? spec.b : spec.a).mates).toBe(true)
          open = step.flipped ? spec.a : spec.b
        }
        expect(mating(open, far).mates).toBe(true)
        for (const o of owned)
          expect(solution.steps.filter((s) => s.partId === o.part.id).length).toBeLessThanOrEqual(o.free)
        if (mating(near, far).mates) expect(solution.steps).toEqual([])
      }),
    )
  })
})

describe('any rig that can be put together', () => {
  const settings = fc.record({
    txMHz: fc.constantFrom(7.1, 145.5, 446.1, 460, 915),
    rxMHz: fc.constantFrom(null, 150, 460),
    powerW: fc.constantFrom(0.5, 2, 5, 25),
    antennaHeightM: fc.constantFrom(1.4, 8, 20),
  })

  it('has a budget whose steps add up, and loses what forward power loses', () => {
    fc.assert(
      fc.property(fc.constantFrom(...radios), anything, settings, (radio, parts, at) => {
        const placed = placeParts(build(radio, parts), kit)
        for (const { tx, rx } of budgetsOf(placed, at))
          for (const b of [tx, rx]) {
            const sum = b.steps.reduce((s, step) => s + step.db, b.powerDbm)
            expect(b.eirpDbm).toBeCloseTo(sum, 9)
            expect(b.steps.every((s) => Number.isFinite(s.levelDbm))).toBe(true)
            expect(b.lossDb).toBeGreaterThanOrEqual(-1e-9)
            expect(b.swrAtRadio).toBeLessThanOrEqual((b.swrAtAntenna ?? 1) + 1e-9)
            const own = mismatchLossDb(b.swrAtAntenna === null ? 0 : gammaOfSwr(b.swrAtAntenna))
            const through = b.steps.filter((s) => s.db < 0 && s.mismatchShareDb > 0)
            const extra = through.reduce((s, x) => s + x.mismatchShareDb, 0)
            expect(extra).toBeCloseTo(own, 1)
          }
      }),
      { numRuns: 150 },
    )
  })

  it('is told every problem with what, why and a way out, and each mend can be carried out', () => {
    fc.assert(
      fc.property(fc.constantFrom(...radios), anything, settings, (radio, parts, at) => {
        const assembly = build(radio, parts)
        const assessed = assessRig(assembly, at, kit, null)
        for (const p of assessed.ports.flatMap((x) => x.problems)) {
          expect(p.where.length).toBeGreaterThan(0)
          expect(p.message).not.toMatch(/undefined|NaN|null/)
          expect(p.wayOut).not.toMatch(/undefined|NaN|null/)
          expect(p.wayOut.endsWith('.')).toBe(true)
          if (p.fix) expect(() => assessRig(applyFix(assembly, p.fix!).assembly, at, kit, null)).not.toThrow()
        }
      }),
      { numRuns: 150 },
    )
  })

  it('keeps its keys apart and its antenna last, whatever is put in and taken out', () => {
    fc.assert(
      fc.property(fc.constantFrom(...radios), anything, fc.nat(9), (radio, parts, which) => {
        const assembly = build(radio, parts)
        const keys = assembly.ports[0]!.items.map((i) => i.key)
        expect(new Set(keys).size).toBe(keys.length)
        const kinds = placeParts(assembly, kit).ports[0]!.items.map((p) => p.part.kind)
        expect(kinds.filter((k) => k === 'antenna').length).toBeLessThanOrEqual(1)
        expect(kinds.indexOf('antenna') === -1 || kinds.indexOf('antenna') === kinds.length - 1).toBe(true)
        const key = keys[which % Math.max(1, keys.length)]
        if (key) expect(takeOut(assembly, 0, key).ports[0]!.items).toHaveLength(keys.length - 1)
      }),
    )
  })

  it('is packed whole: every part of it is on the list, once in turn however many rigs share it', () => {
    fc.assert(
      fc.property(fc.constantFrom(...radios), anything, (radio, parts) => {
        const assembly = build(radio, parts)
        const rigs = ['A', 'B'].map((letter) => ({ letter, name: letter, end: 'out' as const, assembly }))
        const list = (use: 'in turn' | 'at once') =>
          packingList({ rigs, parts: kit, use, batteries: [], plannedText: '' })
        const count = (use: 'in turn' | 'at once', id: string) =>
          list(use).find((l) => l.id === `part ${id}`)?.count ?? 0
        for (const id of new Set([radio.id, ...assembly.ports[0]!.items.map((i) => i.partId)])) {
          expect(count('in turn', id)).toBeGreaterThan(0)
          expect(count('at once', id)).toBe(2 * count('in turn', id))
        }
      }),
      { numRuns: 60 },
    )
  })
})

it('the examples hold each kind that a chain can have', () => {
  expect(new Set(chainParts.map((p) => p.kind)).size).toBe(8)
})
