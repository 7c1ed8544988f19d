import { beforeEach, expect, it } from 'vitest'
import { direct } from '@/core/geo'
import { messageOf } from '@/core/outcome'
import { freshDatabase } from './testing/database'
import { addLegToTrial, addOneMark, addTrial, openTrial, placeBase, setUnits, unitsOf, type Db } from '.'

let db: Db
beforeEach(() => {
  ;({ db } = freshDatabase())
})
const BASE = { lat: 47.3, lon: -29.5 }
const at = (metres: number) => direct(BASE, 90, metres)

function trialWithLeg(): { trialId: string; legId: string } {
  const trialId = addTrial(db, 'T', '', 1)
  placeBase(db, trialId, 'Base', BASE)
  const marks = [200, 600].map((m) => ({ name: `S${m}`, place: at(m), alongM: null }))
  const leg = addLegToTrial(db, trialId, { name: 'East', how: 'marks', bearingDeg: 90, track: [], marks })
  if (!leg.ok) throw new Error(messageOf(leg))
  return { trialId, legId: leg.value }
}
const names = (trialId: string) => openTrial(db, trialId)!.legs.map((l) => l.marks.map((m) => m.name))

it('one mark goes on a leg where its distance puts it, or on a leg of its own', () => {
  const { trialId, legId } = trialWithLeg()
  expect(addOneMark(db, trialId, legId, 'Gate', at(400))).toEqual({ ok: true, value: 'Gate' })
  expect(addOneMark(db, trialId, legId, 'End', at(900)).ok).toBe(true)
  expect(names(trialId)).toEqual([['S200', 'Gate', 'S600', 'End']])
  expect(addOneMark(db, trialId, null, 'Old barn', at(5000))).toEqual({ ok: true, value: 'Old barn' })
  expect(names(trialId)).toEqual([['S200', 'Gate', 'S600', 'End'], ['Old barn']])
  const gate = openTrial(db, trialId)!.legs[0]!.marks[1]!
  expect(gate.distanceM).toBeCloseTo(400, 3)
  expect(gate.bearingDeg).toBeCloseTo(90, 3)
})

it('says why a mark cannot be put there', () => {
  const why = (o: ReturnType<typeof addOneMark>) => (o.ok ? 'put' : messageOf(o))
  const { trialId, legId } = trialWithLeg()
  expect(why(addOneMark(db, trialId, legId, 'X', BASE))).toContain('at the base itself')
  expect(why(addOneMark(db, trialId, legId, 'S200', at(900)))).toContain('a mark S200 already')
  expect(why(addOneMark(db, trialId, 'gone', 'X', at(50)))).toContain('no longer in the trial')
  const bare = addTrial(db, 'U', '', 1)
  expect(why(addOneMark(db, bare, null, 'X', at(50)))).toContain('Place the base first')
  placeBase(db, bare, 'Somewhere', null)
  expect(why(addOneMark(db, bare, null, 'X', at(50)))).toContain('no coordinates')
})

it('the units that were chosen hold for whoever asks next', () => {
  expect(unitsOf(db)).toBe('metric')
  setUnits(db, 'imperial')
  setUnits(db, 'imperial')
  expect(unitsOf(db)).toBe('imperial')
})
