import { describe, expect, it } from 'vitest'
import { fitModel } from './fit'
import { doneByTwo, NOBODY, type Laid, type Task } from './byTwo'
import { refit } from './refit'
import { SAMPLING } from './spreadSampling'
import { elsewhere } from './testing/elsewhere'
import { testRun } from './testing/runs'

describe('a list that two work on', () => {
  const task: Task<readonly number[], string[]> = { name: 'test', work: () => [] }
  const asked: number[][] = []
  const other: Laid = {
    begin: (_task, ask) => {
      const some = ask() as readonly number[]
      asked.push([...some])
      return () => some.map((n) => `there ${n}`) as never
    },
    clear: () => undefined,
  }
  const of = (laid: Laid, items: number[], size = (_: number) => 1) =>
    doneByTwo(
      laid,
      task,
      items,
      size,
      (some) => some,
      (some) => some.map((n) => `here ${n}`),
    )

  it('comes back in its order, each of it done once', () => {
    asked.length = 0
    const made = of(other, [1, 2, 3, 4, 5, 6, 7, 8, 9, 10])
    expect(made.map((m) => Number(m.split(' ')[1]))).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 9, 10])
    expect(made.filter((m) => m.startsWith('here'))).toHaveLength(5)
    expect(asked).toEqual([
      [6, 7, 8],
      [9, 10],
    ])
  })

  it('is parted by how much work each of it is', () => {
    asked.length = 0
    expect(of(other, [6, 1, 1, 1, 1], (n) => n).filter((m) => m.startsWith('here'))).toEqual([])
    expect(asked.flat()).toEqual([6, 1, 1, 1, 1])
  })

  it('is done by one where nobody helps, or there is one thing to do', () => {
    asked.length = 0
    expect(of(NOBODY, [1, 2])).toEqual(['here 1', 'here 2'])
    expect(of(other, [1])).toEqual(['here 1'])
    expect(of(other, [])).toEqual([])
    expect(asked).toEqual([])
  })
})

describe('what is found with help', () => {
  const did: string[] = []
  const helper = elsewhere((task) => did.push(task))
  const run = testRun({ marks: 14, gainDb: [4, 0] })
  const settings = { draws: 200, sampling: { ...SAMPLING, first: 30, second: 40, minEffective: 10 } }
  const alone = fitModel(run, settings)
  const helped = fitModel(run, { ...settings, helper })

  it('is what is found without, to the last figure', () => {
    expect(did).toContain('draws')
    for (const part of ['points', 'draws', 'axes', 'quality'] as const)
      expect(helped[part], part).toEqual(alone[part])
  })

  it('with a term more, too', () => {
    const further = { ...run, terms: [{ sdDb: 5 }] }
    const [one, two] = [refit(alone, further), refit(helped, further)]
    expect(did).toContain('refit')
    for (const part of ['points', 'draws', 'axes', 'quality'] as const)
      expect(two[part], part).toEqual(one[part])
    // What a fit stands on is this thread's own.
    expect(two.field.data.input).toBe(further)
  })

  it('where the reports are others altogether and it is fitted from the beginning, too', () => {
    const others = testRun({ marks: 14, gainDb: [0, 0], display: true, steadyDb: -70, repeats: 8 })
    const [one, two] = [refit(alone, others), refit(helped, others)]
    expect(two.draws).toEqual(one.draws)
    expect(two.quality).toEqual(one.quality)
  })
})
