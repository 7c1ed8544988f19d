/** Something wrong with what the user gave: what, where, and in the message what would be right. */
export interface Problem {
  code: string
  message: string
  /** "line 12, column 3", "rig 2, powerW", "file"; empty where the whole is meant. */
  where: string
}

/** What was not done, and why. Shown to the user as it is. */
export interface Refused {
  ok: false
  problems: Problem[]
}

/** What something that a user can get wrong comes to: its value, or all that is wrong. The only such type. */
export type Outcome<T = undefined> = { ok: true; value: T } | Refused

export const good = <T>(value: T): Outcome<T> => ({ ok: true, value })
/** Good, with nothing to hand back. */
export const DONE: Outcome = { ok: true, value: undefined }
export const bad = (...problems: Problem[]): Refused => ({ ok: false, problems })
export const problem = (code: string, where: string, message: string): Problem => ({ code, where, message })

/** A refusal of the whole, in one sentence. */
export const refuse = (message: string): Refused => bad(problem('refused', '', message))

/** All that is wrong, as one text. */
export const messageOf = ({ problems }: Refused): string => problems.map((p) => p.message).join(' ')
