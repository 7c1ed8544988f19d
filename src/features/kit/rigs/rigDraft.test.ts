import { describe, expect, it } from 'vitest'
import {
  budgetsOf,
  EMPTY_ASSEMBLY,
  EXAMPLE_PARTS,
  figuresOfAssembly,
  placeParts,
  putPart,
  type Assembly,
  type Part,
} from '@/core/kit'
import { numberIn } from '@/ui/fields/NumberBox'
import type { KitRig } from '@/data/rigs'
import { batteriesFor } from '../pack/batteries'
import { trialRigs } from '../trialRigs'
import { budgetColumns, levelSpan } from './budgetColumns'
import { draftOf } from './rigDraft'
import { rigLines } from './rigLines'
import { assemblySchema, rigSchema } from './rigSchema'
import { assemblyOf, builtOf, typedOf } from './useRigDraft'

const parts = EXAMPLE_PARTS.map(({ id, part }) => ({ ...part, id }) as Part)
const put = (...ids: string[]): Assembly =>
  ids.reduce(
    (a, id) =>
      putPart(
        a,
        parts.find((p) => p.id === id)!,
        parts,
        0,
      ),
    EMPTY_ASSEMBLY,
  )
const base = put('desk-uhf', 'lead-10-20', 'collinear', 'clamp', 'mast-8')
const held = put('handheld-uhf', 'stub', 'at-chest')
const settings = { txMHz: 460, rxMHz: null, powerW: 25, antennaHeightM: 8 }

function kitRig(letter: string, assembly: Assembly | null, more: Partial<KitRig> = {}): KitRig {
  const figures = assembly
    ? figuresOfAssembly(assembly, settings, parts)
    : { antennaGainDbi: null, leadLossDb: null, attenuatorDb: 0, attenuatorAt: 'both ways' as const }
  return {
    id: letter,
    letter,
    name: `Rig ${letter}`,
    kind: 'base',
    ...settings,
    ...figures,
    revision: 3,
    note: 'a note',
    assembly,
    bandwidthKHz: 11,
    antenna: '',
    mode: 'FM',
    variantOf: null,
    usedBy: [],
    ...more,
  }
}

describe('the budget as it is drawn', () => {
  const placed = placeParts(base, parts)
  const { tx, rx } = budgetsOf(placed, settings)[0]!

  it('has a column for the radio and each item, and ends where the budget ends', () => {
    const drawn = budgetColumns(placed.ports[0]!, tx)
    expect(drawn.columns).toHaveLength(3)
    expect(drawn.endDbm).toBeCloseTo(tx.eirpDbm, 9)
    expect(drawn.columns[1]!.map((s) => s.name)).toEqual(['Mast lead, 20 m low-loss 10 mm'])
    for (const step of drawn.columns.flat()) expect(step.toDbm - step.fromDbm).toBeCloseTo(step.db, 9)
  })

  it('receiving, losses raise what has to arrive and gains lower it', () => {
    const drawn = budgetColumns(placed.ports[0]!, rx, -120)
    expect(drawn.startDbm).toBe(-120)
    expect(drawn.columns[1]![0]!.db).toBeGreaterThan(0)
    expect(drawn.columns[2]![0]!.db).toBeCloseTo(-5.2, 6)
    expect(drawn.endDbm).toBeCloseTo(-120 + rx.lossDb - 5.2, 9)
  })

  it('puts what the body takes before the antenna, and draws an end without an antenna', () => {
    const chest = placeParts(held, parts)
    const drawn = budgetColumns(chest.ports[0]!, budgetsOf(chest, { ...settings, powerW: 2 })[0]!.tx)
    expect(drawn.columns[1]!.map((s) => s.name)).toEqual(['At the chest, upright', 'Stub whip, 8 cm'])
    const bare = placeParts(put('handheld-uhf'), parts)
    expect(budgetColumns(bare.ports[0]!, budgetsOf(bare, settings)[0]!.tx).columns).toHaveLength(2)
  })

  it('spans whole fives of dB around all levels', () => {
    const span = levelSpan(budgetColumns(placed.ports[0]!, tx))
    expect(span.low % 5).toBe(0)
    expect(span.high).toBeGreaterThan(tx.eirpDbm)
    expect(span.low).toBeLessThan(tx.eirpDbm - 5.2)
  })
})

describe('the draft of a rig', () => {
  it('begins as it is stored and is sent as it was, in either system of units', () => {
    const rig = kitRig('H', { ...base, wayInM: 8, pose: { azimuthDeg: 30, tiltDeg: null } })
    for (const units of ['metric', 'imperial'] as const) {
      const draft = draftOf(rig, 'X', units)
      const checked = rigSchema.validateSync(typedOf(draft, units))
      expect(checked).toMatchObject({ letter: 'H', txMHz: 460, rxMHz: null, powerW: 25, bandwidthKHz: 11 })
      expect(checked.antennaHeightM).toBeCloseTo(8, 1)
      const assembly = assemblySchema.validateSync(builtOf(draft, units))!
      expect(assembly.wayInM).toBeCloseTo(8, 1)
      expect(assembly.pose).toEqual({ azimuthDeg: 30, tiltDeg: null })
      expect(assembly.ports[0]!.items).toEqual(base.ports[0]!.items)
    }
  })

  it('a new one takes the free letter and has no assembly before a part is in it', () => {
    const draft = draftOf(null, 'Q', 'metric')
    expect(draft.facts).toMatchObject({ letter: 'Q', name: '', antennaHeight: '1.4' })
    expect(builtOf(draft, 'metric')).toBeNull()
  })

  it('reads numbers with comma or point, and sends a height that is none for the border to refuse', () => {
    expect([numberIn('1,5'), numberIn(' 2.5 '), numberIn(''), numberIn('x')]).toEqual([1.5, 2.5, null, null])
    const draft = draftOf(null, 'Q', 'metric')
    const high = { ...draft, facts: { ...draft.facts, antennaHeight: 'high' } }
    expect(typedOf(high, 'metric').antennaHeightM).toBe('high')
    expect(assemblyOf(high, 'metric').wayInM).toBeNull()
  })

  it.each([
    [{ ports: [] }, 'ports'],
    [{ ports: [...base.ports, ...base.ports, ...base.ports] }, 'ports'],
    [{ pose: { azimuthDeg: 400, tiltDeg: null } }, '0 to 360 degrees'],
    [{ pose: { azimuthDeg: null, tiltDeg: 120 } }, '-90 to 90 degrees'],
    [{ wayInM: -1 }, '0 m or more'],
    [{ spacingM: -1 }, '0 m or more'],
  ])('the border refuses %j', (change, message) => {
    expect(() => assemblySchema.validateSync({ ...base, ...change })).toThrow(message)
  })
})

describe('rigs in the list and in a trial', () => {
  it('a line says the chain, what it radiates and what is against it', () => {
    const [built, bare] = rigLines([kitRig('H', base), kitRig('K', null)], parts, null)
    expect(built!.chain).toEqual([
      'Desk radio UHF, 25 W',
      'Mast lead, 20 m low-loss 10 mm',
      'Collinear for a mast, 1.2 m',
      'Mast clamp, 30 to 50 mm',
      'Push-up mast, 4 to 8 m',
    ])
    expect(built!.eirp).toMatch(/^47\.\d dBm, 5\d(\.\d)? W$/)
    expect(built!.problems).toEqual({ stops: 0, costs: 0, asks: 0 })
    expect(bare).toMatchObject({ chain: null, eirp: null })
    const [bad] = rigLines([kitRig('B', put('desk-uhf', 'stub'))], parts, null)
    expect(bad!.problems.stops).toBeGreaterThan(0)
  })

  it('a trial with links has its own rigs at each end; without, all by their kind', () => {
    const [h, a] = [kitRig('H', base), kitRig('A', held, { kind: 'handheld' })]
    const rest = kitRig('Z', null, { kind: 'mobile' })
    const links = [{ id: 'l', letter: 'A', name: 'A', base: h, out: a }]
    const open = (l: typeof links) => ({ links: l }) as unknown as Parameters<typeof trialRigs>[0]
    expect(trialRigs(open(links), [h, a, rest])).toEqual({ base: [h], out: [a], ofTrial: true })
    expect(trialRigs(open([]), [h, a, rest])).toEqual({ base: [h], out: [a, rest], ofTrial: false })
  })

  it('batteries by the endurance sum, one line for each kind of handheld', () => {
    const rigs = [kitRig('A', held), kitRig('B', held), kitRig('H', base)]
    const [one, ...others] = batteriesFor(rigs, parts, 8, 20)
    expect(others).toEqual([])
    // 0.08·1.1 + 0.12·0.18 + 0.8·0.06 = 0.158 A; 1.62 Ah last 10.3 h.
    expect(one).toMatchObject({ radioId: 'handheld-uhf', count: 1 })
    expect(batteriesFor(rigs, parts, 30, 20)[0]!.count).toBe(3)
    expect(batteriesFor(rigs, parts, 8, -20)[0]!.count).toBe(2)
    const unknown = parts.map((p) =>
      p.id === 'handheld-uhf' ? ({ ...p, spec: { ...p.spec, batteryAh: null } } as Part) : p,
    )
    expect(batteriesFor(rigs, unknown, 8, 20)[0]).toMatchObject({ count: null })
  })
})
