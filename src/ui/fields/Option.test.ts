import { createElement, Fragment } from 'react'
import { describe, expect, it } from 'vitest'
import { isPicked, lettersOf, Option, optionsOf } from './Option'

const line = (value: string | number, ...children: (string | number)[]) =>
  createElement(Option, { value, children })

describe('the lines of a list', () => {
  it('are read in order, what is none left out', () => {
    const found = optionsOf([false, line('a', 'First'), null, [line('b', 'Second')]])
    expect(found.map((o) => o.props.value)).toEqual(['a', 'b'])
  })

  it('are picked by what they hold, a figure and the same figure typed being one', () => {
    expect(isPicked(line(5, 'Five'), '5')).toBe(true)
    expect(isPicked(line('', 'None'), '')).toBe(true)
    expect(isPicked(line('5', 'Five'), 50)).toBe(false)
  })

  it('say what they show, put together of parts', () => {
    expect(lettersOf(createElement(Fragment, null, 'A ', createElement('b', null, 'Stub whip'), 2))).toBe(
      'A Stub whip2',
    )
    expect(lettersOf(null)).toBe('')
  })
})
