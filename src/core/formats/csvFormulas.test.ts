import { describe, expect, it } from 'vitest'
import { readCsvTable, writeCsv } from './csvTable'

describe('texts that a spreadsheet would carry out', () => {
  const written = (cell: string | number) => writeCsv(['a', 'b'], [[cell, 'x']]).split('\r\n')[1]
  it.each<[string | number, string]>([
    ['=1+1', `"'=1+1",x`],
    ['+cmd', `"'+cmd",x`],
    ['-cmd', `"'-cmd",x`],
    ['@SUM(A1)', `"'@SUM(A1)",x`],
    ['\tx', `"'\tx",x`],
    ['-70', '-70,x'],
    ['+3.5', '+3.5,x'],
    ['-1e-3', '-1e-3,x'],
    [-70, '-70,x'],
    ['5 by 7', '5 by 7,x'],
  ])('%j is written %j', (cell, line) => expect(written(cell)).toBe(line))

  it('come back as they were', () => {
    const cells = ['=1+1', '+cmd', '@x', '-70', "'tis windy"]
    const read = readCsvTable(
      writeCsv(
        ['a', 'b'],
        cells.map((c) => [c, 'x']),
      ),
    )
    expect(read.ok && read.value.rows.map((r) => r.cells[0])).toEqual(cells)
  })

  it('a table of 200,000 rows is read', () => {
    const read = readCsvTable(`a,b\n${'1,2\n'.repeat(200_000)}`)
    expect(read.ok && read.value.rows).toHaveLength(200_000)
  })
})
