import { describe, expect, it } from 'vitest'
import { oneAtATime } from './oneAtATime'

describe('questions one at a time', () => {
  it('asks the newest after the one that runs, and never those that were given up between', async () => {
    const asked: number[] = []
    let free = () => {}
    const turn = oneAtATime()
    const ask = (n: number) => {
      const stop = new AbortController()
      const came = turn(stop.signal, () => {
        asked.push(n)
        return n === 1 ? new Promise<number>((done) => (free = () => done(1))) : Promise.resolve(n)
      })
      return { stop, came }
    }
    const first = ask(1)
    await Promise.resolve()
    const [second, third] = [ask(2), ask(3)]
    second.stop.abort()
    free()
    expect(await first.came).toBe(1)
    await expect(second.came).rejects.toThrow('not asked any more')
    expect(await third.came).toBe(3)
    expect(asked).toEqual([1, 3])
  })
  it('goes on after a question that failed', async () => {
    const turn = oneAtATime()
    const { signal } = new AbortController()
    await expect(turn(signal, () => Promise.reject(new Error('broken')))).rejects.toThrow('broken')
    expect(await turn(signal, () => Promise.resolve('good'))).toBe('good')
  })
})
