import { describe, expect, it } from 'vitest'
import { countText, figureText, percentText, signedText, withMinus } from '.'

describe('figures as they are written', () => {
  it('have a proper minus, and nought has none', () => {
    expect([-0.44, -0.04, 0, 3.06].map((v) => figureText(v))).toEqual(['−0.4', '0.0', '0.0', '3.1'])
    expect([-3.1, -0.04, 0, 0.04, 3.1].map((v) => signedText(v))).toEqual([
      '−3.1',
      '0.0',
      '0.0',
      '0.0',
      '+3.1',
    ])
    expect([signedText(12.4, 0), figureText(-108.2, 0)]).toEqual(['+12', '−108'])
    expect([withMinus(-20), withMinus('-5'), withMinus(7)]).toEqual(['−20', '−5', '7'])
  })
  it('are counted in the singular and the plural', () => {
    expect([0, 1, 2].map((n) => countText(n, 'mark'))).toEqual(['0 marks', '1 mark', '2 marks'])
    expect(countText(2, 'entry', 'entries')).toBe('2 entries')
    expect(percentText(0.937)).toBe('94 %')
  })
})
