import { expect, it } from 'vitest'
import { ANY_HEARD, defaultScale } from '@/core/reports'
import { testEntry } from '@/core/testing/entries'
import { checkOf, planWith } from '@/core/testing/plans'
import { bodyOf, foldEntries } from './foldEntries'
import { logBySecond, planBySecond } from './secondQuantity'

const quality = defaultScale('bare')
const plan = planWith({
  also: { first: 'Level', second: 'Quality', scales: { base: quality, out: quality }, copyRule: ANY_HEARD },
})
const check = (markId: string, text: string, also?: string) =>
  testEntry({ kind: 'check', ...checkOf(markId, 'a', text), ...(also === undefined ? {} : { also }) })

it('a log is read by its second figure in that one’s scale; what was heard without it says nothing', () => {
  const log = foldEntries([check('m1', '-97', '84'), check('m2', '-101'), check('m3', 'not heard')])
  expect(planBySecond(plan)).toMatchObject({ scales: { base: { kind: 'bare' } }, copyRule: ANY_HEARD })
  expect(logBySecond(log).checks.map((c) => [c.markId, c.text])).toEqual([
    ['m1', '84'],
    ['m3', 'not heard'],
  ])
  const one = planWith({})
  expect(planBySecond(one)).toBe(one)
})

it('a correction keeps the second figure', () => {
  const first = check('m1', '-97', '84')
  const body = bodyOf(foldEntries([first]).checks[0]!)
  const log = foldEntries([
    first,
    testEntry({ kind: 'check', ...body, text: '-79' }, { supersedes: first.id }),
  ])
  expect(log.checks[0]).toMatchObject({ text: '-79', also: '84', versions: 2 })
})
