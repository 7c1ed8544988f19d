import { describe, expect, it } from 'vitest'
import { doubtfulMarks } from '@/core/exchange'
import { decodeText } from '../decodeText'
import { basesOf, guessColumns, readCheckRows, tableOfBase } from './checksCsv'
import { readChecksTable } from './checksTable'
import { unitOfHeading, type DistanceUnit } from './distanceUnits'
import { figureOf } from './figureText'

const rowsOf = (text: string, unit?: DistanceUnit | null) => {
  const table = readChecksTable(text)
  if (!table.ok) throw new Error(table.problems[0]!.message)
  return readCheckRows(table.value, guessColumns(table.value.heading), null, unit)
}

describe('distances of a checks file', () => {
  it.each([
    ['distance_km', 'km'],
    ['Range (mi)', 'mi'],
    ['dist [m]', 'm'],
    ['Distance in yards', 'yd'],
    ['dist ft', 'ft'],
    ['distance', null],
    ['dist. from mast', null],
  ] as const)('"%s" is in %s', (heading, unit) => expect(unitOfHeading(heading)).toBe(unit))

  it('are in what the heading says', () => {
    const { rows } = rowsOf('mark,distance_km,rig,direction,report\nS1,1.2,A,in,4 by 5\n')
    expect(rows[0]!.distanceM).toBe(1200)
    expect(rowsOf('mark,miles,rig,direction,report\nS1,1,A,in,4 by 5\n').rows[0]!.distanceM).toBe(1609.344)
  })

  it('are not read at all where nothing says it, nor taken as metres', () => {
    const { rows, problems } = rowsOf('mark,distance,rig,direction,report\nS1,1.2,A,in,4 by 5\n')
    expect(rows).toEqual([])
    expect(problems[0]!.message).toMatch(/"distance" does not say what its distances are in/)
    expect(rowsOf('mark,distance,rig,direction,report\nS1,1.2,A,in,4 by 5\n', 'km').rows[0]!.distanceM).toBe(
      1200,
    )
  })
})

describe('figures as people write them', () => {
  it.each([
    ['1234.5', false, 1234.5],
    ['1.234,5', false, 1234.5],
    ['1,234.5', true, 1234.5],
    ['1 234,5', false, 1234.5],
    ['0,8', false, 0.8],
    ['1,234', true, 1234],
    ['1,234', false, 1.234],
    ['-.5', false, -0.5],
    ['0x10', false, NaN],
    ['1e999', false, NaN],
    ['', false, NaN],
  ])('"%s" (commas part columns: %s) is %f', (text, commas, value) =>
    expect(figureOf(text, commas)).toBe(value),
  )
})

describe('times of a checks file', () => {
  const timeOf = (...times: string[]) =>
    rowsOf(
      `time;mark;distance m;rig;direction;report\n${times.map((t, i) => `${t};S${i};900;A;in;5 by 5`).join('\n')}\n`,
    )
  it.each([
    ['16.05.2026 08:10', '2026-05-16T08:10:00.000Z'],
    ['16.05.2026 08:10:39', '2026-05-16T08:10:39.000Z'],
    ['2026-05-16 08:10', '2026-05-16T08:10:00.000Z'],
    ['2026-05-16T08:10:39+02:00', '2026-05-16T06:10:39.000Z'],
    ['25/12/2026 08:10', '2026-12-25T08:10:00.000Z'],
  ])('"%s"', (text, time) => expect(timeOf(text).rows[0]?.time).toBe(time))

  it('with slashes are read as the column tells, and asked about where it does not', () => {
    expect(timeOf('03/04/2026 08:10', '25/04/2026 08:10').rows[0]!.time).toBe('2026-04-03T08:10:00.000Z')
    expect(timeOf('03/04/2026 08:10', '03/25/2026 08:10').rows[0]!.time).toBe('2026-03-04T08:10:00.000Z')
    expect(timeOf('03/04/2026 08:10').problems[0]!.message).toMatch(/could be two days; write the year first/)
  })
})

describe('tables as spreadsheets write them', () => {
  it('with a first line that says what parts the columns; lines are counted with it', () => {
    const { rows } = rowsOf('sep=;\r\nmark;distance_km;rig;direction;report\r\nS1;0,8;A;in;4 by 5\r\n')
    expect(rows[0]).toMatchObject({ line: 3, distanceM: 800 })
  })

  it('with a line a stop and a column for each rig and direction', () => {
    const table = readChecksTable(
      'mark,distance_m,Long whip to base,Long whip from base,Stub (out)\nS1,800,5 by 7,4 by 5,3 by 2\nS2,1600,3 by 3,,nil\n',
    )
    expect(table.ok && table.value.wide).toBe(true)
    const { rows } = rowsOf(
      'mark,distance_m,Long whip to base,Long whip from base,Stub (out)\nS1,800,5 by 7,4 by 5,3 by 2\nS2,1600,3 by 3,,nil\n',
    )
    expect(rows.map((r) => [r.line, r.mark, r.rig, r.direction, r.report])).toEqual([
      [2, 'S1', 'Long whip', 'to base', '5 by 7'],
      [2, 'S1', 'Long whip', 'from base', '4 by 5'],
      [2, 'S1', 'Stub', 'from base', '3 by 2'],
      [3, 'S2', 'Long whip', 'to base', '3 by 3'],
      [3, 'S2', 'Stub', 'from base', 'nil'],
    ])
  })

  it.each([
    ['UTF-8', new TextEncoder().encode('\uFEFFmark;Höhe')],
    ['Windows-1252', Uint8Array.from([...'mark;H\u00f6he'].map((c) => c.charCodeAt(0)))],
    ['UTF-16', Uint8Array.from([0xff, 0xfe, ...[...'mark;H\u00f6he'].flatMap((c) => [c.charCodeAt(0), 0])])],
    ['UTF-16', Uint8Array.from([...'mark;H\u00f6he'].flatMap((c) => [0, c.charCodeAt(0)]))],
  ] as const)('in %s', (encoding, bytes) =>
    expect(decodeText(bytes)).toEqual({ encoding, text: 'mark;Höhe' }),
  )
})

describe('marks in doubtful places', () => {
  it('are those at a few metres, and those at no distance that a path on the ground has', () => {
    const { rows } = rowsOf(
      'mark,distance_km,rig,direction,report\nS1,0.005,A,in,5 by 5\nS2,0.8,A,in,5 by 5\nS3,5000,A,in,5 by 5\n',
    )
    expect(doubtfulMarks(rows).map((d) => [d.mark, d.why.kind])).toEqual([
      ['S1', 'distance'],
      ['S3', 'distance'],
    ])
  })

  it('are those that jump far from their neighbours, and no others', () => {
    const at = (lats: number[]) =>
      rowsOf(
        `mark,lat,lon,rig,direction,report\n${lats.map((lat, i) => `S${i},${lat},-29.5,A,in,5 by 5`).join('\n')}\n`,
      ).rows
    expect(doubtfulMarks(at([47.3, 47.305, 47.31, 48.315, 47.32, 47.325])).map((d) => d.mark)).toEqual(['S3'])
    expect(doubtfulMarks(at([47.3, 47.305, 47.31, 47.315, 47.32, 47.325]))).toEqual([])
  })
})

describe('a file with several bases', () => {
  const table = readChecksTable(
    'base,mark,rig,direction,report\nRoof,S1,A,in,4 by 5\nHill,S1,A,in,5 by 9\nRoof,S2,A,in,nil\n,S3,A,in,3 by 3\n',
  )
  if (!table.ok) throw new Error('no table')
  const match = guessColumns(table.value.heading)
  it('names them with their rows, and each can be read alone; a row that names none belongs to each', () => {
    expect(basesOf(table.value, match)).toEqual([
      { name: 'Roof', rows: 2 },
      { name: 'Hill', rows: 1 },
    ])
    const marksOf = (base: string | null) =>
      readCheckRows(tableOfBase(table.value, match, base), match, null).rows.map((r) => r.mark)
    expect(marksOf('Roof')).toEqual(['S1', 'S2', 'S3'])
    expect(marksOf('Hill')).toEqual(['S1', 'S3'])
    expect(marksOf(null)).toEqual(['S1', 'S1', 'S2', 'S3'])
  })
  it('a column of that name can be left out, and then there are none', () => {
    expect(basesOf(table.value, { ...match, base: null })).toEqual([])
    expect(tableOfBase(table.value, { ...match, base: null }, 'Roof').rows).toHaveLength(4)
  })
})
