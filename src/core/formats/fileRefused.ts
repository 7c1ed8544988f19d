import { bad, type Outcome, type Problem } from '@/core/outcome'

/** Largest text file taken in, bytes; said in advance where a file is asked for. */
export const MAX_FILE_BYTES = 64 * 1024 * 1024

/** Thrown inside a reader at the first thing that cannot be right; {@link reading} makes an outcome of it. */
export class FileRefused extends Error {
  constructor(readonly problem: Problem) {
    super(problem.message)
  }
}

/** Runs a reader and answers with what it refused. */
export function reading<T>(work: () => Outcome<T>): Outcome<T> {
  try {
    return work()
  } catch (e) {
    if (e instanceof FileRefused) return bad(e.problem)
    throw e
  }
}
