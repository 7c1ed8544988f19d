import { expect, it } from 'vitest'
import { foldEntries } from '@/core/trial'
import { testEntry } from '@/core/testing/entries'
import { checkOf } from '@/core/testing/plans'
import { whyFailed, whyFailedWords } from './whyFailed'

const check = testEntry({ kind: 'check', ...checkOf('m7', 'a', 'not heard', { calls: 2 }) })
const test = (what: string, heard: boolean) =>
  testEntry({ kind: 'other', what: 'test', detail: { about: check.id, test: what, heard } })
const words = (...more: ReturnType<typeof testEntry>[]) =>
  whyFailed(foldEntries([check, ...more])).map((w) =>
    whyFailedWords(
      w,
      () => 'Long whip',
      () => 'S07',
    ),
  )

it('says which causes the tests show, rule out and leave standing', () => {
  expect(words()).toEqual([])
  expect(words(test('other channel', false), test('higher', false))).toEqual([
    'Why Long whip was not heard at S07: somebody else or noise on the channel and the ground or trees are ruled out; left standing: distance or what stands between and this unit.',
  ])
  expect(words(test('other unit', true))[0]).toBe('Why Long whip was not heard at S07: it was this unit.')
  // The later answer to the same test counts.
  expect(words(test('other unit', true), test('other unit', false))[0]).toContain('this unit is ruled out')
})

it('adds what was noted at the mark, and admits that nothing explains it', () => {
  const all = ['other channel', 'nearer on the same line', 'higher', 'other unit'].map((t) => test(t, false))
  expect(words(...all)[0]).toContain('none of the causes that were tried explains it')
  const noise = testEntry({ kind: 'noise', markId: 'm7', text: 'S4', note: '' })
  const scan = testEntry({
    kind: 'scan',
    markId: 'm7',
    channels: [
      { channel: '6', level: '-71', others: 3 },
      { channel: '11', level: '', others: 0 },
    ],
  })
  expect(words(test('higher', true), noise, scan)[0]).toBe(
    'Why Long whip was not heard at S07: it was the ground or trees; noted there: noise S4 and others on channel 6.',
  )
})

it('counts the noise and the scan that were logged where it failed', () => {
  const noise = (markId: string, text: string) => testEntry({ kind: 'noise', markId, text, note: '' })
  const scan = (others: number) =>
    testEntry({ kind: 'scan', markId: 'm7', channels: [{ channel: '6', level: '-71', others }] })
  const standing =
    'left standing: distance or what stands between, the ground or trees and this unit; noted there: '
  expect(words(noise('m1', 'S2'), noise('m7', 'S5'))[0]).toContain(
    `what was noted there points to somebody else or noise on the channel; ${standing}noise S5, S2 elsewhere.`,
  )
  expect(words(noise('m1', '-118'), noise('m7', '−116'))[0]).toContain(
    'left standing: somebody else or noise',
  )
  expect(words(scan(3))[0]).toContain('points to somebody else')
  expect(words(scan(0))[0]).toContain('noted there: nobody else on the channels scanned')
  // What was noted elsewhere, or before anything failed, looks into nothing.
  expect(words(noise('m1', 'S5'))).toEqual([])
})
