'use client'

import { useEffect, useRef, useState } from 'react'
import type { PlanGround } from '@/core/reach'
import type { TrialPlan } from '@/core/trial'
import type { Soon } from '@/ui/answers/OnceKnown'
import type { GuardedWorker } from '@/ui/answers/guarded'
import { whyOf } from '@/ui/answers/useAnswer'
import { ahead } from '@/ui/early/ahead'
import type { PowerApi } from '@/workers/power'
import { designsOf, type PowerRow } from './powerWords'

const TRIES = 60

const wiring = ahead(() => import('./powerWorker'))

export type PowerState =
  | { at: 'not yet' }
  | { at: 'trying'; share: number; rows: PowerRow[] }
  | { at: 'there'; rows: PowerRow[] }
  | { at: 'failed'; why: string }

/** Tries a plan and its neighbours in a worker; a change of the plan makes what was found void. */
export function usePower(plan: TrialPlan, ground: Soon<PlanGround | null>, spreadDb: number) {
  const key = JSON.stringify([plan, spreadDb])
  const [held, setHeld] = useState<{ key: string; state: PowerState } | null>(null)
  // The try that is under way, with its worker once that is there.
  const current = useRef<{ own: GuardedWorker<PowerApi> | null } | null>(null)
  const end = () => {
    current.current?.own?.end()
    current.current = null
  }
  useEffect(() => end, [])
  const set = (state: PowerState) => setHeld({ key, state })
  const start = async () => {
    end()
    const mine: typeof current.current = { own: null }
    current.current = mine
    const designs = designsOf(plan.marks.length, plan.repeats)
    const rows: PowerRow[] = []
    set({ at: 'trying', share: 0, rows: [] })
    try {
      const { calledBack, powerWorker } = await wiring()
      const expected = ('known' in ground ? ground.known : await ground.later)?.expected ?? []
      if (current.current !== mine) return
      const own = (mine.own = powerWorker())
      for (const [i, design] of designs.entries()) {
        const share = (done: number) => (i + done / TRIES) / designs.length
        set({ at: 'trying', share: share(0), rows: [...rows] })
        const shown = calledBack((done) => set({ at: 'trying', share: share(done), rows: [...rows] }))
        const settings = { ...design, spreadDb, marginDb: plan.marginDb }
        const told = await own.worker.tried(plan, expected, settings, TRIES, shown)
        rows.push({ ...design, told, tries: TRIES })
      }
      set({ at: 'there', rows })
    } catch (e) {
      if (current.current === mine) set({ at: 'failed', why: whyOf(e) })
    } finally {
      if (current.current === mine) end()
    }
  }
  const stop = () => {
    end()
    setHeld(null)
  }
  return { state: held?.key === key ? held.state : ({ at: 'not yet' } as PowerState), start, stop }
}
