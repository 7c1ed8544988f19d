import { filledPage, type Fill } from './filledPage'
import { FindingsFrame } from './FindingsFrame'
import { FindingsToCome } from './FindingsToCome'

/** A page of the findings: its place at once, then what belongs there. */
export const placePage = (fill: Fill) =>
  filledPage(fill, {
    frame: (asked, content) => <FindingsFrame asked={asked}>{content}</FindingsFrame>,
    waiting: () => <FindingsToCome />,
  })
