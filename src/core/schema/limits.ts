/** The most letters of each text that is kept. Forms and the border both read them here. */
export const MAX_LETTERS = {
  /** An id made here or by another program. */
  id: 80,
  letter: 4,
  tag: 40,
  name: 60,
  trialName: 80,
  runName: 80,
  question: 300,
  /** One thing of a list: what is the same for all, what was ticked. */
  line: 120,
  /** A report as it was given. */
  report: 200,
  remark: 1000,
  reason: 500,
  note: 2000,
  shortNote: 500,
  fileName: 200,
} as const

/** The most tags of one mark. */
export const MAX_TAGS = 6

/** The most links that one trial compares. */
export const MAX_LINKS = 8
