/** A trial as the list shows it. */
export interface TrialLine {
  id: string
  name: string
  question: string
  /** Where it stands, in a few words. */
  state: string
  /** What to do next, as a sentence that goes on; null where it has an answer, or checks are being made. */
  next: string | null
  /** The step to open. */
  step: string
  /** It holds something that an answer can be made from. */
  answers: boolean
  archived: boolean
}
