import { beforeEach, describe, expect, it } from 'vitest'
import { testEntry } from '@/core/testing/entries'
import { freshDatabase } from './testing/database'
import {
  addTrial,
  appendEntries,
  listTrials,
  openDatabase,
  openTrial,
  planOf,
  startRun,
  whileUnchanged,
  type Db,
} from '.'

let db: Db
beforeEach(() => {
  ;({ db } = freshDatabase())
})

const names = () => whileUnchanged(db, 'names', () => listTrials(db).map((t) => t.name))

describe('what is made of the database', () => {
  it('is made once while nothing changes, and anew after any change', () => {
    addTrial(db, 'One', '', 1)
    const first = names()
    expect(names()).toBe(first)
    addTrial(db, 'Two', '', 1)
    expect(names()).toHaveLength(2)
  })
  it('is made anew where another connection has written', () => {
    expect(names()).toEqual([])
    const other = openDatabase(db.$client.name)
    addTrial(other, 'From elsewhere', '', 1)
    other.$client.close()
    expect(names()).toEqual(['From elsewhere'])
  })
  it('takes nothing from a transaction that is taken back', () => {
    expect(names()).toEqual([])
    expect(() =>
      db.transaction(() => {
        addTrial(db, 'Not to be', '', 1)
        expect(names()).toEqual(['Not to be'])
        throw new Error('back')
      }),
    ).toThrow('back')
    expect(names()).toEqual([])
  })
  it('stands while entries come', () => {
    const trial = addTrial(db, 'One', '', 1)
    const plan = planOf(openTrial(db, trial)!)
    const run = startRun(db, trial, 'r', plan, { note: '', fixedBeforehand: false, imported: false })
    const first = names()
    appendEntries(db, [{ ...testEntry({ kind: 'note', text: 'x' }), runId: run }])
    expect(names()).toBe(first)
  })
})
