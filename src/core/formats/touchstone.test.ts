import { describe, expect, it } from 'vitest'
import { readTouchstone, writeTouchstone } from './touchstone'

const read = (text: string, name = 'a.s1p') => {
  const r = readTouchstone(text, name)
  if (!r.ok) throw new Error(r.problems[0]!.message)
  return r.value
}
const codeOf = (text: string, name = 'a.s1p') => {
  const r = readTouchstone(text, name)
  return r.ok ? null : r.problems[0]!.code
}
const first = (text: string, name?: string) => read(text, name).parameters[0]!.sweep

describe('a Touchstone file', () => {
  it('is read in every number format and unit to the same reflection', () => {
    // 0.5 at 60 degrees: 0.25 + j0.4330, -6.0206 dB
    const same = [
      '# Hz S RI R 50\n435000000 0.25 0.4330127019',
      '# kHz S MA R 50\n435000 0.5 60',
      '#MHZ S DB R 50\n435 -6.0205999133 60',
      '! no unit is GHz, no format is MA\n#\n0.435 0.5 60',
      '# r 50 ri mhz s\n 435\t0.25   0.4330127019 ! here too',
    ]
    for (const text of same) {
      const s = first(text)
      expect(s.frequencyMHz[0]).toBeCloseTo(435, 9)
      expect(s.re[0]).toBeCloseTo(0.25, 8)
      expect(s.im[0]).toBeCloseTo(0.4330127, 7)
      expect(s.ohm).toBe(50)
    }
  })

  it('of two ports has its columns where scikit-rf has them, over several lines, without the noise figures', () => {
    const text = `! two ports
# MHz S RI R 75
100 0.1 0 0.2 0
 0.3 0 0.4 0
200 0.1 0.1 0.2 0.2 0.3 0.3 0.4 0.4
100 2.1 0.3 20 0.5`
    const { parameters } = read(text, 'x.s2p')
    expect(parameters.map((p) => [p.name, p.sweep.re[0]])).toEqual([
      ['S11', 0.1],
      ['S21', 0.2],
      ['S12', 0.3],
      ['S22', 0.4],
    ])
    expect(parameters[0]!.sweep.frequencyMHz).toEqual([100, 200])
    expect(parameters[0]!.sweep.ohm).toBe(75)
  })

  it('of version 2.0 is read with its keywords', () => {
    const text = `[Version] 2.0
# MHz S MA
[Number of Ports] 2
[Two-Port Data Order] 12_21
[Number of Frequencies] 1
[Reference]
75 50
[Begin Information]
Made by hand
[End Information]
[Network Data]
100 .1 0 .2 0 .3 0 .4 0
[Noise Data]
100 2 0.3 20 0.5
[End]`
    const { parameters, version } = read(text, 'x.ts')
    expect(version).toBe('2.0')
    expect(parameters.map((p) => p.name)).toEqual(['S11', 'S12', 'S21', 'S22'])
    expect(parameters[0]!.sweep.ohm).toBe(75)
  })

  it('is refused in words', () => {
    expect(codeOf('# MHz Z RI R 50\n1 2 3')).toBe('not-s')
    expect(codeOf('# MHz S RI R 50\n1 2 x')).toBe('no-number')
    expect(codeOf('# MHz S RI R 50\n1 NaN 3')).toBe('no-number')
    expect(codeOf('# MHz S RI R 50\n1 2 3 4 5')).toBe('columns')
    expect(codeOf('# MHz S RI R 50\n2 0 0\n1 0 0')).toBe('order')
    expect(codeOf('# MHz S RI R 50\n')).toBe('empty')
    expect(codeOf('# MHz S RI R none\n1 0 0')).toBe('reference')
    expect(codeOf('# MHz S XY\n1 0 0')).toBe('option')
    expect(codeOf('1 0 0', 'a.txt')).toBe('no-options')
    expect(codeOf('{ "rigs": [] }', 'kit.json')).toBe('no-options')
    expect(codeOf('# MHz S RI R 50\n1 0 0 0 0 0 0 0 0\n2 0 0', 'a.s2p')).toBe('cut-short')
    expect(codeOf('# MHz S RI R 50\n1 0 0', 'a.s4p')).toBe('ports')
  })

  it('comes back as it was written, in both versions', () => {
    const s = {
      frequencyMHz: [430.125, 435],
      re: [0.25, -0.1],
      im: [0.4330127019, 1e-7],
      ohm: 50,
      phase: true,
    }
    for (const version of ['1.1', '2.0'] as const) {
      const back = first(writeTouchstone(s, ['an antenna\nin two lines'], version))
      expect(back.frequencyMHz).toEqual(s.frequencyMHz)
      back.re.forEach((v, i) => expect(v).toBeCloseTo(s.re[i]!, 9))
      back.im.forEach((v, i) => expect(v).toBeCloseTo(s.im[i]!, 9))
    }
  })
})
