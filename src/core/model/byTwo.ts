import { groupedBy } from '@/core/groupedBy'
import type { Field } from './field'
import type { ModelPriors } from './priors'
import type { ModelInput } from './reports'

/** What a field is made of; plain data. */
export interface FieldOf {
  input: ModelInput
  priors: ModelPriors
}

/** Work on a field, known by a name, so that it can be done elsewhere: of the same comes the same, whoever does it. */
export interface Task<Ask, Made> {
  name: string
  /** @param ask plain data */
  work: (field: Field, ask: Ask) => Made
  /** What of it is handed over rather than copied. */
  handed?: (made: Made) => ArrayBuffer[]
}

/** A field that somebody has before them, until it is cleared away. */
export interface Laid {
  /**
   * Asks for work that is needed later.
   * @param here how it is done by whoever asks, where nobody has begun it when it is needed
   * @returns what waits for it
   */
  begin<Ask, Made>(task: Task<Ask, Made>, ask: () => Ask, here: () => Made): () => Made
  clear(): void
}

/** Somebody who may do work meanwhile. */
export interface Helper {
  lay(of: FieldOf): Laid
}

export const NOBODY: Laid = { begin: (_task, _ask, here) => here, clear: () => undefined }

/** Nobody helps: what is asked for is done when it is needed. */
export const ALONE: Helper = { lay: () => NOBODY }

/** Where a list is parted: whoever asks does the first of these, the last is small, for whoever is ready sooner. */
const PARTED_AT = [0.5, 0.8]

/**
 * Work on each of a list, part of which somebody may do meanwhile.
 * @param size how much work one of them is
 * @param here how some of them are done
 */
export function doneByTwo<Item, Ask, Made>(
  laid: Laid,
  task: Task<Ask, Made[]>,
  items: readonly Item[],
  size: (item: Item) => number,
  ask: (items: readonly Item[]) => Ask,
  here: (items: readonly Item[]) => Made[],
): Made[] {
  if (laid === NOBODY || items.length < 2) return here(items)
  const whole = items.reduce((n, item) => n + size(item), 0)
  let done = 0
  const parts = groupedBy(items, (item) => {
    done += size(item)
    return PARTED_AT.filter((at) => done > at * whole).length
  })
  const first = parts.get(0) ?? []
  parts.delete(0)
  const begun = [...parts.values()].map((part) =>
    laid.begin(
      task,
      () => ask(part),
      () => here(part),
    ),
  )
  return [...here(first), ...begun.flatMap((made) => made())]
}
