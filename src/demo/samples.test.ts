import { beforeEach, describe, expect, it } from 'vitest'
import { seedOstrey } from './ostrey'
import { freshDatabase } from '@/data/testing/database'
import {
  addRig,
  addSamples,
  addTrial,
  copyTrial,
  listAreas,
  listGrids,
  listParts,
  listRigs,
  listSites,
  listTrials,
  openTrial,
  removeSamples,
  takeRigs,
  archiveTrial,
  type Db,
} from '@/data'

let db: Db
beforeEach(() => {
  ;({ db } = freshDatabase())
})

describe('examples beside one’s own trials', () => {
  it('go again with all they brought, but for what a trial of one’s own took over', () => {
    addSamples(db, seedOstrey)
    expect(listTrials(db).every((t) => t.sample !== null)).toBe(true)
    const mine = addTrial(db, 'Mine', '', 1)
    const own = addRig(
      db,
      {
        letter: 'A',
        name: 'My own',
        kind: 'handheld',
        txMHz: 446.1,
        rxMHz: null,
        powerW: 0.5,
        antennaHeightM: 1.5,
        antennaGainDbi: null,
        leadLossDb: 0,
        attenuatorDb: 0,
        attenuatorAt: 'both ways',
        note: '',
      },
      mine,
    )
    const taken = listRigs(db).find((r) => r.assembly !== null)!
    takeRigs(db, mine, [taken.id], true)
    removeSamples(db)
    expect(listTrials(db).map((t) => t.name)).toEqual(['Mine'])
    expect(
      listRigs(db)
        .map((r) => r.id)
        .sort(),
    ).toEqual([taken.id, own.ok ? own.value : ''].sort())
    expect(listParts(db).length).toBeGreaterThan(0)
    expect(listParts(db).length).toBeLessThan(8)
    expect([listSites(db), listGrids(db), listAreas(db)]).toEqual([[], [], []])
    removeSamples(db)
    expect(listTrials(db)).toHaveLength(1)
  })

  it('one like another has its rigs, letters, plan and ground, none of its runs; and a trial can be put away', () => {
    addSamples(db, seedOstrey)
    const whips = listTrials(db).find((t) => t.name === 'Short or long antenna')!
    const copy = openTrial(db, copyTrial(db, whips.id, 'Again', 9, true)!)!
    const first = openTrial(db, whips.id)!
    expect(copy.links.map((l) => [l.letter, l.base.id, l.out.id])).toEqual(
      first.links.map((l) => [l.letter, l.base.id, l.out.id]),
    )
    expect(copy.links[0]!.id).not.toBe(first.links[0]!.id)
    expect(copy.legs.map((l) => l.id)).toEqual(first.legs.map((l) => l.id))
    expect(copy.trial).toMatchObject({
      name: 'Again',
      sample: null,
      orderSeed: 9,
      scales: first.trial.scales,
    })
    const bare = openTrial(db, copyTrial(db, whips.id, 'Elsewhere', 9, false)!)!
    expect([bare.site, bare.legs, bare.links.length]).toEqual([null, [], 3])
    archiveTrial(db, whips.id, true)
    expect(listTrials(db).find((t) => t.id === whips.id)!.archivedAt).not.toBeNull()
  }, 20_000)
})
