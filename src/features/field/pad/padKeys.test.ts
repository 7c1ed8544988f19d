import { describe, expect, it } from 'vitest'
import { defaultScale, readReport, whyNotRead, type Scale } from '@/core/reports'
import {
  draftText,
  EMPTY_DRAFT,
  inHand,
  keptDraft,
  readyToLog,
  shownDraft,
  stepBack,
  wanted,
  type Draft,
} from './draft'
import { messageOf } from '@/core/outcome'
import { readEntries } from '@/core/trial/readLog'
import { padKey } from './padKeys'

const RS = defaultScale('readability-strength')
const press = (keys: [string, string, boolean?][], scale: Scale, from: Draft = EMPTY_DRAFT) =>
  keys.reduce((draft, [key, code, shift = false]) => {
    const action = padKey(key, code, shift, draft, scale)
    return action?.do === 'draft' ? action.draft : draft
  }, from)

describe('keys of the field screen', () => {
  it('digits for readability, Shift and digits for strength, plus for dB over nine', () => {
    const draft = press(
      [
        ['5', 'Digit5'],
        ['(', 'Digit9', true],
        ['+', 'Equal', true],
        ['+', 'Equal', true],
      ],
      RS,
    )
    expect(draftText(draft, RS)).toBe('5 by 9+20')
    expect(readReport('5 by 9+20', RS).state).toBe('heard')
    expect(wanted(EMPTY_DRAFT, RS)).toBe('Readability?')
    expect(wanted({ ...EMPTY_DRAFT, readability: 3 }, RS)).toBe('Strength?')
    expect(press([['7', 'Digit7']], RS)).toEqual(EMPTY_DRAFT)
  })
  const typed = (keys: string, scale: Scale) =>
    press(
      [...keys].map((k): [string, string] =>
        k === '<' ? ['Backspace', 'Backspace'] : /\d/.test(k) ? [k, `Digit${k}`] : [k, k],
      ),
      scale,
    )
  const dbm = defaultScale('level')
  it.each([
    ['97', '-97'],
    ['-97', '-97'],
    ['97.5', '-97.5'],
    ['59t56', '-59 to -56'],
    ['9<', ''],
    ['98<7', '-97'],
    ['59t<8', '-598'],
    ['5..6', '-5.6'],
    ['12345', '-1234'],
  ])('a level in dBm: "%s" is %s', (keys, figure) => expect(typed(keys, dbm).figure).toBe(figure))

  it('a level that no receiver shows is not logged, and it is said why', () => {
    const turned = typed('58-', dbm)
    expect(turned.figure).toBe('58')
    expect(draftText(turned, dbm)).toBeNull()
    expect(whyNotRead('58', dbm)).toMatch(/above anything a receiver shows; is the minus sign left out/)
    expect(whyNotRead('-190', dbm)).toMatch(/below anything a receiver hears/)
    expect(draftText(typed('59t56', dbm), dbm)).toBe('-59 to -56')
    expect(readReport('-59 to -56', dbm)).toMatchObject({ level: { from: -59, to: -56 } })
  })

  it('a scale that is not in dBm begins with no sign', () => {
    const sinr: Scale = { ...defaultScale('level'), unit: 'SINR dB' } as Scale
    expect(typed('12', sinr).figure).toBe('12')
    expect(typed('-3', sinr).figure).toBe('-3')
    const bars: Scale = { ...defaultScale('bare'), unit: 'bars', top: 5 } as Scale
    expect(draftText(typed('4', bars), bars)).toBe('4')
    expect(draftText(typed('9', bars), bars)).toBeNull()
  })

  it('what is in hand is taken back a step at a time', () => {
    const again = { ...EMPTY_DRAFT, readability: 4, calls: 3, remark: 'wind' }
    expect(inHand(EMPTY_DRAFT)).toBe(false)
    expect(stepBack(again)).toEqual({ ...again, calls: 2 })
    expect(stepBack({ ...again, calls: 1 })).toEqual({ ...EMPTY_DRAFT, remark: 'wind' })
    expect(inHand({ ...EMPTY_DRAFT, remark: 'wind' })).toBe(false)
  })

  it('words and counts by their place', () => {
    const words = defaultScale('words')
    expect(draftText(press([['2', 'Digit2']], words), words)).toBe('fair')
    const count = defaultScale('count')
    expect(draftText(press([['4', 'Digit4']], count), count)).toBe('4 of 5')
    expect(padKey('9', 'Digit9', false, EMPTY_DRAFT, count)).toBeNull()
  })
  it('letters do what the list says', () => {
    const does = (key: string) => padKey(key, `Key${key.toUpperCase()}`, false, EMPTY_DRAFT, RS)?.do
    expect(['n', 'r', 'u', 's', 'm', 'e', 'c', 'g', 'x'].map(does)).toEqual([
      'not heard',
      'again',
      'undo',
      'skip',
      'at mark',
      'remark',
      'clip',
      'grid',
      undefined,
    ])
    expect(padKey('?', 'Slash', true, EMPTY_DRAFT, RS)?.do).toBe('keys')
    expect(padKey('Enter', 'Enter', false, EMPTY_DRAFT, RS)?.do).toBe('log')
  })
})

describe('readEntries', () => {
  const good = {
    id: '0197f0a0-0000-7000-8000-000000000001',
    runId: 'r',
    device: 'd',
    role: 'out there',
    seq: 1,
    supersedes: null,
    wallTime: '2026-05-16T08:00:00.000Z',
    body: { kind: 'note', text: 'x' },
  }
  it('takes a good entry and refuses one with a part missing, naming it', () => {
    const said = (entries: unknown) => {
      const read = readEntries({ entries }, 'r')
      if (!read.ok) return messageOf(read)
      return read.value.refused[0]?.why ?? `${read.value.entries.length} taken`
    }
    expect(said([good])).toBe('1 taken')
    expect(said([{ ...good, id: 'x' }])).toMatch(/id/)
    expect(said([{ ...good, body: { kind: 'check', text: '5 by 7' } }])).toMatch(/required/)
    expect(said([{ ...good, body: { kind: 'dance' } }])).toMatch(/kind/)
    expect(said('all')).toMatch(/list/)
  })
})

describe('a check with two figures', () => {
  const level = defaultScale('level')
  const also = {
    first: 'Level',
    second: 'Quality',
    scale: { ...defaultScale('bare'), unit: 'per cent' } as Scale,
  }
  const typed = { ...EMPTY_DRAFT, figure: '-97' }
  it('asks for the second after the first, takes it on the same pad, and can do without it', () => {
    expect(wanted(EMPTY_DRAFT, level, also)).toBe('Report?')
    expect(readyToLog(EMPTY_DRAFT, level, also)).toBeNull()
    expect(wanted(typed, level, also)).toBe('Next: Quality')
    expect(readyToLog(typed, level, also)).toBe('second')
    const second: Draft = { ...typed, at: 'second' }
    expect(wanted(second, level, also)).toBe('Log without Quality')
    expect(readyToLog(second, level, also)).toEqual({ text: '-97' })
    const both = keptDraft(second, { ...shownDraft(second), figure: '84' })
    expect(both).toMatchObject({ figure: '-97', also: { figure: '84' }, at: 'second' })
    expect(wanted(both, level, also)).toBe('Log it')
    expect(readyToLog(both, level, also)).toEqual({ text: '-97', also: '84' })
    expect(readyToLog({ ...both, at: 'first' }, level, also)).toEqual({ text: '-97', also: '84' })
  })
  it('is not logged while the second cannot be read, and undo takes that one first', () => {
    const wrong: Draft = { ...typed, at: 'second', also: { ...EMPTY_DRAFT.also, figure: '840' } }
    expect(readyToLog(wrong, level, also)).toBeNull()
    expect(wanted(wrong, level, also)).toBe('Report?')
    expect(stepBack(wrong)).toMatchObject({ figure: '-97', also: { figure: '' } })
    expect(inHand({ ...EMPTY_DRAFT, also: wrong.also })).toBe(true)
  })
})
