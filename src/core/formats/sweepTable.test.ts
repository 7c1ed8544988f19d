import { describe, expect, it } from 'vitest'
import { readCsvTable } from './csvTable'
import { guessSweepColumns, sweepOfTable, writeSweepTable, type SweepColumns } from './sweepTable'

const table = (text: string) => {
  const t = readCsvTable(text)
  if (!t.ok) throw new Error(t.problems[0]!.message)
  return t.value
}
const read = (text: string, change: Partial<SweepColumns> = {}) => {
  const t = table(text)
  return sweepOfTable(t, { ...guessSweepColumns(t), ...change }, 50)
}

describe('a table of a sweep', () => {
  it('is understood by its headings', () => {
    expect(guessSweepColumns(table('Frequency (Hz),SWR\n430000000,2'))).toMatchObject({
      unit: 'Hz',
      figure: 'swr',
      first: 1,
    })
    expect(guessSweepColumns(table('MHz;Return loss dB\n430;9,54'))).toMatchObject({
      unit: 'MHz',
      figure: 'return-loss',
    })
    expect(guessSweepColumns(table('freq,S11 dB,phase\n430e6,-9.5,10'))).toMatchObject({
      unit: 'Hz',
      figure: 'db-phase',
      second: 2,
    })
    expect(guessSweepColumns(table('f,Re,Im\n430,0.1,0.2'))).toMatchObject({
      figure: 're-im',
      first: 1,
      second: 2,
    })
  })

  it('comes to the same reflection from every kind of figure', () => {
    // SWR 2 is |Γ| 1/3: 9.5424 dB
    for (const text of [
      'MHz,SWR\n430,2\n440,2',
      'MHz,return loss\n430,9.5424\n440,9.5424',
      'MHz,S11 dB\n430,-9.5424\n440,-9.5424',
    ]) {
      const r = read(text)
      expect(r.ok && r.value.re[0]).toBeCloseTo(1 / 3, 5)
      expect(r.ok && r.value.phase).toBe(false)
    }
  })

  it('asks whether a sign was left out', () => {
    const negative = read('MHz,return loss\n430,-12\n440,-13')
    expect(!negative.ok && negative.problems[0]!.message).toMatch(/S11 in dB/)
    const positive = read('MHz,S11 dB\n430,12\n440,13')
    expect(!positive.ok && positive.problems[0]!.message).toMatch(/sign left out/)
  })

  it('refuses what is no number, an SWR below 1, and a frequency twice, by the line', () => {
    const r = read('MHz,SWR\n430,0.9\n435,two\n440,1.2')
    expect(!r.ok && r.problems.map((p) => p.where)).toEqual(['line 2', 'line 3'])
    const twice = read('MHz,SWR\n430,1.1\n430,1.2')
    expect(!twice.ok && twice.problems[0]!.code).toBe('twice')
  })

  it('is written as it is read', () => {
    const s = { frequencyMHz: [430, 435.5], re: [0.1, -0.2], im: [0.3, 0], ohm: 50, phase: true }
    const r = read(writeSweepTable(s))
    expect(r).toEqual({ ok: true, value: s })
  })
})
