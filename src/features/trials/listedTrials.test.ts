import { beforeEach, expect, it } from 'vitest'
import { addTrial, archiveTrial, openDatabase, planOf, openTrial, startRun, type Db } from '@/data'
import { listAsked, LISTED, listedTrials } from './listedTrials'

let db: Db
beforeEach(() => {
  db = openDatabase(':memory:')
})

const usual = listAsked({})
const names = (asked = usual) => listedTrials(db, asked).here.lines.map((t) => t.name)

it('a page of trials is looked into, and it is said how many there are', () => {
  for (let i = 1; i <= LISTED + 3; i++) addTrial(db, `Trial ${i}`, 'Which is better?', i)
  const first = listedTrials(db, usual)
  expect(first.here.lines).toHaveLength(LISTED)
  expect(first).toMatchObject({ pages: 2, all: LISTED + 3, here: { found: LISTED + 3 }, asked: { page: 1 } })
  const second = listedTrials(db, { ...usual, page: 2 })
  expect(second.here.lines).toHaveLength(3)
  // Every trial is on one of the pages.
  const all = [...first.here.lines, ...second.here.lines].map((t) => t.name)
  expect(new Set(all).size).toBe(LISTED + 3)
  // A page that there is not, as after trials were put away, is the last.
  expect(listedTrials(db, { ...usual, page: 9 }).asked.page).toBe(2)
})

it('words are looked for in all trials, those put away among them', () => {
  for (let i = 1; i <= LISTED + 3; i++) addTrial(db, `Trial ${i}`, '', i)
  const quay = addTrial(db, 'From the quay', 'By boat or by car?', 1)
  archiveTrial(db, quay, true)
  expect(names(listAsked({ find: 'trial 1' }))).toContain('Trial 1')
  const { here, away } = listedTrials(db, listAsked({ find: 'BOAT quay' }))
  expect(here.found).toBe(0)
  expect(away).toMatchObject({ found: 1, lines: [{ name: 'From the quay', archived: true }] })
})

it('the one worked on last comes first where that is asked for', () => {
  const old = addTrial(db, 'Old', '', 1)
  addTrial(db, 'New', '', 2)
  const plan = planOf(openTrial(db, old)!)
  startRun(
    db,
    old,
    'Again',
    plan,
    { note: '', fixedBeforehand: true, imported: false },
    '2099-01-01T00:00:00.000Z',
  )
  expect(names(listAsked({ order: 'worked on last' }))).toEqual(['Old', 'New'])
  expect(names(listAsked({ order: 'by name' }))).toEqual(['New', 'Old'])
})

it('what an address says wrongly is as usual', () => {
  expect(listAsked({ order: 'by weight', page: '-3', find: ['a', 'b'] })).toEqual(usual)
  expect(listAsked({ page: '2.9' }).page).toBe(2)
  expect(listAsked({ page: 'two' }).page).toBe(1)
})
