import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { readKitJson } from '@/core/formats'
import {
  guessedMatch,
  guessedScales,
  kitDraft,
  kitProblems,
  kitText,
  NO_FILES,
  openFiles,
  preview,
} from './dayDraft'

const file = (name: string) => ({
  name,
  text: readFileSync(new URL(`../../../e2e/fixtures/${name}`, import.meta.url), 'utf8'),
})
const all = ['ostrey-spring-checks.csv', 'ostrey-spring-kit.json', 'ostrey-spring.gpx'].map(file)

describe('a day being put together', () => {
  it('opens files by what they are, and keeps what was open when one is refused', () => {
    const { files, problems } = openFiles(all, NO_FILES)
    expect(problems).toEqual([])
    expect([files.checks, files.kit, files.gpx].every(Boolean)).toBe(true)
    const after = openFiles([{ name: 'new.gpx', text: '<kml/>' }], files)
    expect(after.files.gpx).toBe(files.gpx)
    expect(after.problems[0]!.where).toMatch(/^new\.gpx, /)
  })
  it('fills the kit form from the kit file, and reads it back as it was', () => {
    const { files } = openFiles(all, NO_FILES)
    const draft = kitDraft(files, guessedMatch(files.checks!.table))
    expect(draft.rigs.map((r) => r.name)).toEqual(['Stub whip', 'Long whip', 'Roof quarter-wave'])
    const back = readKitJson(kitText(draft, undefined))
    expect(back.ok && back.value.rigs).toEqual(files.kit!.value.rigs)
    expect(back.ok && back.value.base).toEqual(files.kit!.value.base)
  })
  it('without a kit file names the rigs of the checks and takes the base’s waypoint', () => {
    const { files } = openFiles([all[0]!, all[2]!], NO_FILES)
    const draft = kitDraft(files, guessedMatch(files.checks!.table))
    expect(draft.rigs.map((r) => r.name)).toEqual(['Stub whip', 'Long whip', 'Roof quarter-wave'])
    expect(draft.base.lat).toBe('47.298807')
    const read = readKitJson(kitText(draft, undefined))
    expect(read.ok).toBe(false)
    if (read.ok) return
    expect(read.problems.map((p) => p.where)).toContain('rigs[0].powerW')
    const said = kitProblems(read.problems, draft).map((p) => `${p.where}: ${p.message}`)
    expect(said).toContain('Stub whip: the power is missing.')
    expect(said).toContain('All: the frequency is missing.')
    expect(said.join(' ')).not.toMatch(/rigs\[|powerW|antennaHeightM|frequencyMHz/)
  })
  it('previews every row in the scales guessed', () => {
    const { files } = openFiles(all, NO_FILES)
    const match = guessedMatch(files.checks!.table)
    const names = files.kit!.value.rigs.map((r) => r.name)
    const { rows, problems, unread, left } = preview(
      files,
      match,
      names,
      guessedScales(files, match).scales,
      null,
    )
    expect([rows.length, problems.length, unread.length, left]).toEqual([177, 0, 0, 0])
    expect(
      preview(files, match, ['Stub whip'], guessedScales(files, match).scales, null).problems.length,
    ).toBeGreaterThan(100)
  })
  it('counts rows that are not read, and not what is wrong with them', () => {
    const { files } = openFiles([{ name: 'wrong.csv', text: 'a,b\n1,2\n3,4\n' }], NO_FILES)
    const match = guessedMatch(files.checks!.table)
    const found = preview(files, match, [], guessedScales(files, match).scales, null)
    expect(found.problems.length).toBeGreaterThan(2)
    expect(found.left).toBe(2)
  })
})

it('of several bases takes the place of the one chosen: the kit file’s own, else the waypoint of its name', () => {
  const gpx = {
    name: 'two.gpx',
    text: '<gpx version="1.1"><wpt lat="47.31" lon="-29.51"><name>Hill</name></wpt><wpt lat="47.2" lon="-29.5"><name>BASE</name></wpt></gpx>',
  }
  const checks = {
    name: 'two.csv',
    text: 'base,mark,rig,direction,report\nHill,S1,A,in,5 by 9\nRoof,S1,A,in,4 by 5\n',
  }
  const { files } = openFiles([checks, gpx], NO_FILES)
  const match = guessedMatch(files.checks!.table)
  expect(kitDraft(files, match, 'Hill').base).toMatchObject({ name: 'Hill', lat: '47.31', lon: '-29.51' })
  expect(kitDraft(files, match, 'Roof').base).toMatchObject({ name: 'Roof', lat: '', lon: '' })
  const withKit = openFiles([all[1]!], files).files
  const own = withKit.kit!.value.base
  expect(kitDraft(withKit, match, own.name).base).toMatchObject({ lat: String(own.lat), name: own.name })
  expect(kitDraft(withKit, match, 'Roof').base).toMatchObject({ lat: '', name: 'Roof' })
})
