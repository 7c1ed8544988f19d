import { Suspense, type ReactNode } from 'react'
import type { Units } from '@/core/units'
import { NoFindings } from './NoFindings'
import { openFindings, type AskedFindings, type FindingsProps } from './openFindings'

/** What fills a page, worked out while the page itself is there already. */
export type Fill = (
  asked: AskedFindings,
  units: Units,
  query: Record<string, string | string[] | undefined>,
) => Promise<ReactNode>

/** What is there at once: what a page stands in, and what stands there until it is filled. */
interface Around {
  frame?: (asked: AskedFindings, content: ReactNode) => ReactNode
  waiting: (asked: AskedFindings) => ReactNode
}

async function Filled({ fill }: { fill: () => Promise<ReactNode> }) {
  return <>{await fill()}</>
}

/** A page of what a log says: what is known at once, then what is worked out. */
export function filledPage(fill: Fill, { frame = (_, content) => content, waiting }: Around) {
  return async function Page(props: FindingsProps) {
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
