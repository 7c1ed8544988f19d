import { Field } from '../field'
import type { Helper } from '../byTwo'
import { modelData } from '../reports'

/**
 * A helper that does all it is asked for with copies of its own, as one in another thread does.
 * @param did told the name of each piece of work
 */
export const elsewhere = (did: (task: string) => void): Helper => ({
  lay: (of) => {
    const { input, priors } = structuredClone(of)
    const field = new Field(modelData(input), priors)
    return {
      begin: (task, ask) => {
        const made = structuredClone(task.work(field, structuredClone(ask())))
        did(task.name)
        return () => made
      },
      clear: () => undefined,
    }
  },
})
