'use client'

import dynamic from 'next/dynamic'
import { useEffect } from 'react'
import type { TrialPlan } from '@/core/trial'
import type { OnTheWayProps } from './onTheWayProps'

const edgeWalk = () => import('./EdgeWalk').then((m) => m.EdgeWalk)
const earWalk = () => import('./EarWalk').then((m) => m.EarWalk)
const stopHere = () => import('./StopHere').then((m) => m.StopHere)
const EdgeWalk = dynamic(edgeWalk, { ssr: false })
const EarWalk = dynamic(earWalk, { ssr: false })
const StopHere = dynamic(stopHere, { ssr: false })

/** Whether something else than a check is asked for now. */
export const isOnTheWay = (way: TrialPlan['way'], checkOpen: boolean) =>
  way === 'edges' || way === 'by ear' || (way === 'anywhere' && !checkOpen)

/** What stands in a check's place: a walk to the edge, a drive by ear, or a stop to be made. */
export function OnTheWay(props: OnTheWayProps) {
  // Fetched while there may still be a network.
  useEffect(() => {
    for (const fetched of [edgeWalk(), earWalk(), stopHere()]) fetched.catch(() => undefined)
  }, [])
  if (props.plan.way === 'edges') return <EdgeWalk {...props} />
  if (props.plan.way === 'by ear') return <EarWalk {...props} />
  return <StopHere {...props} />
}
