'use client'

import * as Comlink from 'comlink'
import { useEffect, useRef, useState } from 'react'
import type { PlanGround } from '@/core/reach'
import type { TrialPlan } from '@/core/trial'
import type { Soon } from '@/ui/answers/OnceKnown'
import { guarded, type GuardedWorker } from '@/ui/answers/guarded'
import { whyOf } from '@/ui/answers/useAnswer'
import type { PowerApi } from '@/workers/power'
import { designsOf, type PowerRow } from './powerWords'

const TRIES = 60

export type PowerState =
  | { at: 'not yet' }
  | { at: 'trying'; share: number; rows: PowerRow[] }
  | { at: 'there'; rows: PowerRow[] }
  | { at: 'failed'; why: string }

/** Tries a plan and its neighbours in a worker; a change of the plan makes what was found void. */
export function usePower(plan: TrialPlan, ground: Soon<PlanGround | null>, spreadDb: number) {
  const key = JSON.stringify([plan, spreadDb])
  const [held, setHeld] = useState<{ key: string; state: PowerState } | null>(null)
  const worker = useRef<GuardedWorker<PowerApi> | null>(null)
  const end = () => {
    worker.current?.end()
    worker.current = null
  }
  useEffect(() => end, [])
  const set = (state: PowerState) => setHeld({ key, state })
  const start = async () => {
    end()
    const own = guarded<PowerApi>(
      new Worker(new URL('../../workers/power.ts', import.meta.url), { type: 'module' }),
    )
    worker.current = own
    const designs = designsOf(plan.marks.length, plan.repeats)
    const rows: PowerRow[] = []
    set({ at: 'trying', share: 0, rows: [] })
    try {
      const expected = ('known' in ground ? ground.known : await ground.later)?.expected ?? []
      for (const [i, design] of designs.entries()) {
        const share = (done: number) => (i + done / TRIES) / designs.length
        set({ at: 'trying', share: share(0), rows: [...rows] })
        const shown = Comlink.proxy((done: number) =>
          set({ at: 'trying', share: share(done), rows: [...rows] }),
        )
        const settings = { ...design, spreadDb, marginDb: plan.marginDb }
        const told = await own.worker.tried(plan, expected, settings, TRIES, shown)
        rows.push({ ...design, told, tries: TRIES })
      }
      set({ at: 'there', rows })
    } catch (e) {
      set({ at: 'failed', why: whyOf(e) })
    } finally {
      if (worker.current === own) end()
    }
  }
  const stop = () => {
    end()
    setHeld(null)
  }
  return { state: held?.key === key ? held.state : ({ at: 'not yet' } as PowerState), start, stop }
}
