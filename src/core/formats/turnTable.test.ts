import { describe, expect, it } from 'vitest'
import { readTurnTable, writeTurnTable } from './turnTable'

describe('a table of a turn', () => {
  it('is read with several levels a line, and floors', () => {
    const r = readTurnTable('Angle;first;second\n0;-63;-64\n90;<-120;\n180;-80,5;-81')
    expect(r).toEqual({
      ok: true,
      value: [
        { angleDeg: 0, db: -63, atOrBelow: false },
        { angleDeg: 0, db: -64, atOrBelow: false },
        { angleDeg: 90, db: -120, atOrBelow: true },
        { angleDeg: 180, db: -80.5, atOrBelow: false },
        { angleDeg: 180, db: -81, atOrBelow: false },
      ],
    })
    expect(r.ok && readTurnTable(writeTurnTable(r.value))).toEqual(r)
  })

  it('is refused by the line', () => {
    const codes = (text: string) => {
      const r = readTurnTable(text)
      return r.ok ? [] : r.problems.map((p) => [p.code, p.where])
    }
    expect(codes('where,level\n0,-63')).toEqual([['no-angle', 'line 1']])
    expect(codes('angle,level\nnorth,-63\n10,loud')).toEqual([
      ['angle', 'line 2'],
      ['level', 'line 3'],
    ])
  })
})
