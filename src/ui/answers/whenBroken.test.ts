import { describe, expect, it } from 'vitest'
import { whenBroken } from './whenBroken'

const started = () => new EventTarget() as unknown as Worker
const broke = (worker: Worker, message: string) =>
  worker.dispatchEvent(Object.assign(new Event('error'), { message }))

describe('a worker that breaks', () => {
  it('fails what is raced against it, with its own words or with what happened', async () => {
    for (const [message, told] of [
      ['out of memory', 'out of memory'],
      ['', 'its worker could not be started'],
    ] as const) {
      const worker = started()
      const raced = Promise.race([new Promise(() => undefined), whenBroken(worker)])
      broke(worker, message)
      await expect(raced).rejects.toThrow(told)
    }
  })

  it('does nothing to an answer that was there first', async () => {
    const worker = started()
    const answer = await Promise.race([Promise.resolve('there'), whenBroken(worker)])
    broke(worker, 'too late')
    expect(answer).toBe('there')
  })
})
