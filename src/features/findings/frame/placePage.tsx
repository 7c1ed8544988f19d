import { Suspense, type ReactNode } from 'react'
import type { Units } from '@/core/units'
import { FindingsFrame } from './FindingsFrame'
import { FindingsToCome } from './FindingsToCome'
import { NoFindings } from './NoFindings'
import { openFindings, type AskedFindings, type FindingsProps } from './openFindings'

/** What fills a place, worked out while the place itself is there already. */
type Fill = (
  asked: AskedFindings,
  units: Units,
  query: Record<string, string | string[] | undefined>,
) => Promise<ReactNode>

async function Filled({ fill }: { fill: () => Promise<ReactNode> }) {
  return <>{await fill()}</>
}

/** What is there at once: what a place stands in, and what stands there until it is filled. */
interface Around {
  frame: (asked: AskedFindings, content: ReactNode) => ReactNode
  waiting: (asked: AskedFindings) => ReactNode
}

const IN_FRAME: Around = {
  frame: (asked, content) => <FindingsFrame asked={asked}>{content}</FindingsFrame>,
  waiting: () => <FindingsToCome />,
}

/** A page of the findings: its place at once, then what belongs there. */
export function placePage(fill: Fill, { frame, waiting } = IN_FRAME) {
  return async function Place(props: FindingsProps) {
    const { asked, units } = await openFindings(props)
    if (!asked.shown) return <NoFindings trialId={asked.open.trial.id} />
    const query = await props.searchParams
    return frame(
      asked,
      <Suspense fallback={waiting(asked)}>
        <Filled fill={() => fill(asked, units, query)} />
      </Suspense>,
    )
  }
}
