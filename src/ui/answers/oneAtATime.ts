/**
 * Puts questions to a worker one after another: while it is busy only the newest one waits, those between are dropped.
 * @returns what runs a question unless its signal was aborted before its turn came
 */
export function oneAtATime() {
  let busy: Promise<unknown> = Promise.resolve()
  return async <T>(signal: AbortSignal, ask: () => Promise<T>): Promise<T> => {
    await busy
    if (signal.aborted) throw new Error('it is not asked any more')
    const asked = ask()
    busy = asked.catch(() => undefined)
    return asked
  }
}
