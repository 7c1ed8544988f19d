import { expect, it } from 'vitest'
import { Field } from './field'
import { MODEL_PRIORS } from './priors'
import { modelData } from './reports'
import { testRun } from './testing/runs'

const field = new Field(modelData(testRun({ marks: 6 })), MODEL_PRIORS)
const { floors, layout, at } = field

it('a step is made whole where it keeps what has a floor above it', () => {
  const step = new Float64Array(field.size).fill(0.1)
  expect(floors.allowed(field.start(), step, at)).toBe(1)
  // What has no floor may go anywhere.
  step[at + layout.level[0]!] = -500
  expect(floors.allowed(field.start(), step, at)).toBe(1)
})

it('a step that would have cuts change places is made in part, and they do not', () => {
  const x = field.start()
  const gap = at + layout.cut[1]! + 1
  const step = new Float64Array(field.size)
  step[gap] = -40
  const share = floors.allowed(x, step, at)
  expect(share).toBeGreaterThan(0)
  const after = x[gap]! + share * step[gap]!
  expect(after).toBeLessThan(x[gap]!)
  // Above the least that a gap can be: 2.5 of what its floor is soft by under its middle.
  const [where, over] = MODEL_PRIORS.gapFloor
  expect(after).toBeGreaterThan(where - 2.5 * over)
})
