/** Something wrong with what the user gave: what, where, and in the message what would be right. */
export interface Problem {
  code: string
  message: string
  /** "line 12, column 3", "rig 2, powerW", "file". */
  where: string
}

export type Outcome<T> = { ok: true; value: T } | { ok: false; problems: Problem[] }

export const good = <T>(value: T): Outcome<T> => ({ ok: true, value })
export const bad = <T>(...problems: Problem[]): Outcome<T> => ({ ok: false, problems })
export const problem = (code: string, where: string, message: string): Problem => ({ code, where, message })

/** Largest text file taken in, bytes; said in advance where a file is asked for. */
export const LARGEST_FILE = 64 * 1024 * 1024

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
