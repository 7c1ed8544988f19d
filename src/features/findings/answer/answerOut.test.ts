import { describe, expect, it } from 'vitest'
import type { Answer, AnswerLine } from '@/core/findings'
import { answerCsv } from './answerCsv'
import { answerPicture } from './answerPicture'
import { axisOf } from './axis'

const line = (letter: string, more: Partial<AnswerLine> = {}): AnswerLine => ({
  linkId: letter,
  letter,
  name: `Rig ${letter}`,
  text: 'about 2.0 km (1.5 to 2.6 km)',
  note: '',
  value: 2000,
  low: 1500,
  high: 2600,
  ways: [],
  ...more,
})
const answer = (more: Partial<Answer> = {}): Answer => ({
  basis: 'reach',
  lead: 'Rig A reaches farthest, then Rig B.',
  detail: [],
  axis: { unit: 'm', label: 'reach, 9 times in 10' },
  lines: [line('A'), line('B', { value: null, low: 900, high: null, note: 'to base is the weaker way' })],
  sure: 'From 40 checks.',
  settle: null,
  copied: 'readability 3 or better',
  cautions: [],
  beside: [],
  ...more,
})

describe('the common scale of an answer', () => {
  it('has distances by their root with round figures in the user’s unit', () => {
    const axis = axisOf(answer(), 'metric')!
    expect(axis.at(0)).toBe(0)
    expect(axis.at(2600) / axis.at(650)).toBeCloseTo(2, 6)
    expect(axis.ticks.map((t) => t.text)).toEqual(['0.1', '0.5', '1', '1.5', '2', '2.5'])
    expect(axisOf(answer(), 'imperial')!.label).toBe('reach, 9 times in 10, mi from the base')
  })
  it('has levels about their mean, shares from 0 to 100', () => {
    const levels = axisOf(
      answer({ axis: { unit: 'dB', label: 'level' }, lines: [line('A', { value: -4, low: -6, high: -2 })] }),
      'metric',
    )!
    expect(levels.at(0)).toBe(0.5)
    expect(levels.ticks.map((t) => t.text)).toContain('−5')
    const shares = axisOf(
      answer({
        axis: { unit: 'share', label: 'won' },
        lines: [line('A', { value: 0.75, low: null, high: null })],
      }),
      'metric',
    )!
    expect(shares.ticks.map((t) => t.text)).toEqual(['0', '25', '50', '75', '100'])
  })
  it('is none where the lines are words alone', () => {
    expect(axisOf(answer({ axis: null }), 'metric')).toBeNull()
    expect(axisOf(answer({ lines: [] }), 'metric')).toBeNull()
  })
})

describe('an answer that is taken along', () => {
  it('as CSV has names, places and figures that count, never ids', () => {
    expect(answerCsv(answer({ lines: [line('A', { value: 2034.56, linkId: 'id-1' })] }))).toBe(
      'place,letter,rig,m,low90_m,high90_m,said\r\n1,A,Rig A,2030,1500,2600,about 2.0 km (1.5 to 2.6 km)\r\n',
    )
    const ways = [{ name: 'out', text: '', spans: [{ means: 'clear' as const, fromM: 200, toM: null }] }]
    expect(answerCsv(answer({ lines: [line('A', { ways })] }))).toBe(
      'rig,way,heard,from_m,to_m\r\nRig A,out,clear,200,\r\n',
    )
  })
  it('as a drawing stands alone: sentence, names, unit, how sure; nothing in it is markup', () => {
    const svg = answerPicture(
      answer({ lead: 'A < B & "C"' }),
      { A: 0, B: 1 },
      'metric',
      (variable) => `colour${variable}`,
    )
    expect(svg).toMatch(/^<svg xmlns/)
    for (const word of [
      'A &lt; B &amp; &quot;C&quot;',
      'Rig A',
      'km from the base',
      'From 40 checks.',
      'weaker way',
    ])
      expect(svg).toContain(word)
    expect(svg).toContain('colour--ink')
  })
})
