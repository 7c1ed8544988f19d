import { dayOfFiles, guessScales, loggedChecks } from '.'
import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { inputOf, makeFindings } from '@/core/findings'
import { guessColumns, readCheckRows, readCsvTable, readGpx, readKitJson, writeCsv } from '@/core/formats'

const file = (name: string) => readFileSync(new URL(`../../../e2e/fixtures/${name}`, import.meta.url), 'utf8')
const gpx = (inner: string) =>
  `<?xml version="1.0"?><gpx version="1.1" xmlns="http://www.topografix.com/GPX/1/1">${inner}</gpx>`
const said = (text: string) => {
  const r = readGpx(text)
  return r.ok ? 'read' : `${r.problems[0]!.code}: ${r.problems[0]!.message} (${r.problems[0]!.where})`
}

describe('readGpx', () => {
  it('reads the field file: base, thirty marks, two named tracks with times and heights', () => {
    const r = readGpx(file('ostrey-spring.gpx'))
    if (!r.ok) throw new Error(r.problems[0]!.message)
    expect(r.value.waypoints).toHaveLength(31)
    expect(r.value.tracks.map((w) => w.name)).toEqual(['Shore', 'Over the top'])
    expect(r.value.tracks[0]!.points[0]).toMatchObject({ elevationM: 9.9, time: '2026-05-16T08:05:00Z' })
  })
  it('passes foreign extensions over and keeps names in CDATA', () => {
    const r = readGpx(
      gpx(
        '<wpt lat="1" lon="2"><name><![CDATA[A & B]]></name><extensions><x:y xmlns:x="u"><name>no</name></x:y></extensions></wpt>',
      ),
    )
    expect(r.ok && r.value.waypoints[0]!.name).toBe('A & B')
  })
  it.each([
    ['not XML', 'this is a letter', 'not-xml'],
    ['cut off', gpx('<wpt lat="1" lon="2">').slice(0, -8), 'not-xml'],
    ['another root', '<kml></kml>', 'not-gpx'],
    ['a thousand deep', gpx('<a>'.repeat(1000) + '</a>'.repeat(1000)), 'too-deep'],
    ['entities', '<!DOCTYPE gpx [<!ENTITY a "b">]><gpx>&a;</gpx>', 'doctype'],
    ['no points', gpx(''), 'no-points'],
    ['a point at the pole', gpx('<wpt lat="90" lon="0"/>'), 'at-pole'],
    ['a point off the globe', gpx('<wpt lat="95" lon="0"/>'), 'off-globe'],
    ['no coordinates', gpx('<wpt lat="north" lon="0"/>'), 'no-coordinates'],
    [
      'across 180 degrees',
      gpx('<trk><trkseg><trkpt lat="1" lon="179.9"/><trkpt lat="1" lon="-179.9"/></trkseg></trk>'),
      'across-180',
    ],
  ])('refuses %s with what, where and what would be right', (_name, text, code) => {
    expect(said(text)).toMatch(new RegExp(`^${code}: .{20,} \\((line \\d+, column \\d+|file)\\)$`))
  })
})

describe('readCsvTable', () => {
  it('takes comma, semicolon and tab, a byte order mark, quotes with line breaks, and counts lines', () => {
    for (const d of [',', ';', '\t']) {
      const r = readCsvTable(`\uFEFFa${d}b\r\n1${d}"two\nlines"\r\n\r\n3${d}4\r\n`)
      expect(r.ok && r.value.rows).toEqual([
        { line: 2, cells: ['1', 'two\nlines'] },
        { line: 5, cells: ['3', '4'] },
      ])
    }
  })
  it.each([
    ['another delimiter', 'a|b\n1|2', 'delimiter'],
    ['no rows', 'a,b\n', 'no-rows'],
    ['nothing', '', 'no-heading'],
    ['a picture', '\u0089PNG\u0000\u0000', 'not-text'],
    ['an open quote', 'a,b\n"1,2\n', 'quotes'],
  ])('refuses %s', (_name, text, code) => {
    const r = readCsvTable(text)
    expect(r.ok ? 'read' : r.problems[0]!.code).toBe(code)
  })
  it('writes what it reads', () => {
    const r = readCsvTable(
      writeCsv(
        ['a', 'b'],
        [
          ['x, y', 1.5],
          ['"q"', null],
        ],
      ),
    )
    expect(r.ok && r.value.rows.map((x) => x.cells)).toEqual([
      ['x, y', '1.5'],
      ['"q"', ''],
    ])
  })
})

const HEAD = 'time_utc,mark,lat,lon,rig,direction,report,tries,note'
const rowsOf = (...lines: string[]) => {
  const table = readCsvTable([HEAD, ...lines].join('\n'))
  if (!table.ok) throw new Error('table')
  return readCheckRows(table.value, guessColumns(table.value.heading), ['Stub whip', 'Long whip'])
}
const GOOD = '2026-05-16T08:10:39Z,S01,47.296541,-29.553397,Stub whip,to base,5 by 9,1,'

describe('readCheckRows', () => {
  it('guesses every column of the field file', () => {
    expect(guessColumns(HEAD.split(','))).toEqual({
      time: 0,
      mark: 1,
      lat: 2,
      lon: 3,
      distance: null,
      rig: 4,
      base: null,
      direction: 5,
      report: 6,
      calls: 7,
      note: 8,
    })
  })
  it.each([
    ['an hour of 25', GOOD.replace('T08', 'T25'), 'is no time'],
    ['a rig the kit does not have', GOOD.replace('Stub whip', 'Beam'), 'the kit has no rig "Beam"'],
    ['a direction that is none', GOOD.replace('to base', 'sideways'), 'is no direction'],
    ['an empty report', GOOD.replace('5 by 9', ''), 'the report is empty'],
    ['half a call', GOOD.replace(',1,', ',0.5,'), 'calls cannot be'],
    ['a latitude of 95', GOOD.replace('47.296541', '95'), 'latitude "95"'],
    ['no mark', GOOD.replace('S01', ''), 'no mark is named'],
  ])('lists %s with its line', (_name, line, message) => {
    const { rows, problems } = rowsOf(GOOD.replace('S01', 'S02'), line)
    expect(rows).toHaveLength(1)
    expect(problems[0]).toMatchObject({ where: 'line 3' })
    expect(problems[0]!.message).toContain(message)
  })
  it('finds a duplicated check, and takes a true repeat', () => {
    expect(rowsOf(GOOD, GOOD).problems[0]!.message).toContain('repeats line 2')
    expect(rowsOf(GOOD, GOOD.replace('08:10', '08:12')).rows).toHaveLength(2)
  })
  it('names a missing column', () => {
    const table = readCsvTable('mark,rig,direction\nS1,A,to base\n')
    const r = readCheckRows(
      table.ok ? table.value : (null as never),
      guessColumns(['mark', 'rig', 'direction']),
      null,
    )
    expect(r.problems[0]!.message).toContain('No column for "Report"')
  })
})

describe('readKitJson', () => {
  const kit = (change: (k: Record<string, never>) => void) => {
    const k = JSON.parse(file('ostrey-spring-kit.json'))
    change(k)
    return readKitJson(JSON.stringify(k))
  }
  it('reads the field file', () => expect(kit(() => {}).ok).toBe(true))
  it.each([
    ['a rig of 0 W', (k: any) => (k.rigs[1].powerW = 0), 'rigs[1].powerW', 'above 0 W'],
    ['a negative height', (k: any) => (k.rigs[0].antennaHeightM = -2), 'rigs[0].antennaHeightM', 'above 0 m'],
    [
      'two rigs with one letter',
      (k: any) => ((k.rigs[0].letter = 'A'), (k.rigs[1].letter = 'A')),
      'rigs',
      'letter A',
    ],
    ['two rigs with one name', (k: any) => (k.rigs[1].name = k.rigs[0].name), 'rigs', 'named'],
    ['no rigs', (k: any) => (k.rigs = []), 'rigs', 'no rigs'],
    ['no frequency', (k: any) => delete k.frequencyMHz, 'frequencyMHz', 'missing'],
  ] as [string, (k: any) => void, string, string][])('refuses %s', (_name, change, where, message) => {
    const r = kit(change)
    expect(r.ok).toBe(false)
    if (!r.ok) {
      expect(r.problems[0]!.where).toBe(where)
      expect(r.problems[0]!.message).toContain(message)
    }
  })
  it('refuses what is not JSON', () => {
    const r = readKitJson('{"a":')
    expect(r.ok ? '' : r.problems[0]!.code).toBe('not-json')
  })
})

describe('a whole day', () => {
  it('the field files become findings', () => {
    const table = readCsvTable(file('ostrey-spring-checks.csv'))
    const kit = readKitJson(file('ostrey-spring-kit.json'))
    const ground = readGpx(file('ostrey-spring.gpx'))
    if (!table.ok || !kit.ok || !ground.ok) throw new Error('files')
    const { rows, problems } = readCheckRows(
      table.value,
      guessColumns(table.value.heading),
      kit.value.rigs.map((r) => r.name),
    )
    expect(problems).toEqual([])
    expect(rows).toHaveLength(177)
    const scales = guessScales(rows, kit.value)
    expect(scales.base.kind).toBe('readability-strength')
    const day = dayOfFiles(rows, kit.value, ground.value, {
      scales,
      makeId: (what, name) => (what === 'leg' ? name : name),
    })
    if (!day.ok) throw new Error(day.problems[0]!.message)
    expect([...new Set(day.value.plan.marks.map((m) => m.legName))]).toEqual(['Shore', 'Over the top'])
    expect(day.value.plan.marks).toHaveLength(30)
    expect(day.value.plan.marks[0]!.distanceM).toBeGreaterThan(400)
    const findings = makeFindings(
      inputOf(day.value.plan, day.value.plan.marks, loggedChecks(day.value), true),
    )
    expect(findings.leftOut).toEqual([])
    const both = findings.pairs.find((p) => p.scope === 'both' && p.a === 'Stub whip' && p.b === 'Long whip')!
    expect(both.verdict).toMatchObject({ kind: 'better', which: 'b' })
    const car = findings.pairs.find((p) => p.scope === 'to base' && p.b === 'Roof quarter-wave')!
    // 25 W against 2 W: 10 lg 12.5 = 10.97 dB.
    expect(car.takenOut[0]!.db).toBeCloseTo(-10.969, 3)
    expect(car.evened!.estimate! - car.raw!.estimate!).toBeCloseTo(10.969, 3)
    expect(findings.usable.filter((u) => u.chance === 0.9).every((u) => u.reach.estimateM! < 3000)).toBe(true)
  })
  it('says when nothing tells where the base stood', () => {
    const kit = readKitJson(
      JSON.stringify({
        ...JSON.parse(file('ostrey-spring-kit.json')),
        base: { name: 'B', powerW: 5, antennaHeightM: 4 },
      }),
    )
    const { rows } = rowsOf(GOOD)
    const day = dayOfFiles(rows, kit.ok ? kit.value : (null as never), null, {
      scales: guessScales(rows, null),
      makeId: (_w, n) => n,
    })
    expect(day.ok ? '' : day.problems[0]!.code).toBe('no-base')
    // Where marks have distances and no coordinates nobody has to know.
    const paced = rows.map((r) => ({ ...r, lat: null, lon: null, distanceM: 800 }))
    const without = dayOfFiles(paced, kit.ok ? kit.value : (null as never), null, {
      scales: guessScales(paced, null),
      makeId: (_w, n) => n,
    })
    expect(without.ok && without.value.plan.base).toEqual({ name: 'B', lat: null, lon: null })
    expect(without.ok && without.value.plan.marks[0]!.distanceM).toBe(800)
  })
})
