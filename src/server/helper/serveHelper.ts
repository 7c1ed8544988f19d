import type { MessagePort } from 'node:worker_threads'
import { Field } from '@/core/model/field'
import type { Task } from '@/core/model/byTwo'
import { modelData } from '@/core/model/reports'
import { once } from '@/core/onceEach'
import { BEGUN, DONE, TAKEN_BACK, WAITS, type Answered, type Asked, type Told } from './wire'

/** Fields that may lie before it at once; what was never cleared away goes then. */
const MOST = 32

/** Does what is asked for over a port, one after the other, unless whoever asked has taken it back. */
export function serveHelper(port: MessagePort, tasks: ReadonlyMap<string, Task<unknown, unknown>>): void {
  const fields = new Map<number, () => Field>()
  const work = ({ id, laid, task: name, ask, state }: Asked) => {
    if (Atomics.compareExchange(state, 0, WAITS, BEGUN) !== WAITS) return
    const end = (how: number) => {
      Atomics.store(state, 0, how)
      Atomics.notify(state, 0)
    }
    try {
      const task = tasks.get(name)!
      const made = task.work(fields.get(laid)!(), ask)
      port.postMessage({ id, made } satisfies Answered, task.handed?.(made) ?? [])
      end(DONE)
    } catch {
      // Done by whoever asked it fails in the same way, where somebody is told.
      end(TAKEN_BACK)
    }
  }
  port.on('message', (told: Told) => {
    if (told.kind === 'work') work(told)
    else if (told.kind === 'clear') fields.delete(told.laid)
    else {
      const { input, priors } = told.of
      fields.set(
        told.laid,
        once(() => new Field(modelData(input), priors)),
      )
      if (fields.size > MOST) fields.delete(fields.keys().next().value!)
    }
  })
}
