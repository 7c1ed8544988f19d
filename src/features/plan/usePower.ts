'use client'

import { useEffect, useRef, useState } from 'react'
import type { PlanGround } from '@/core/reach'
import type { TrialPlan } from '@/core/trial'
import type { Soon } from '@/ui/answers/OnceKnown'
import type { GuardedWorker } from '@/ui/answers/guarded'
import { inLanes } from '@/ui/answers/inLanes'
import { whyOf } from '@/ui/answers/useAnswer'
import { ahead } from '@/ui/early/ahead'
import type { PowerApi } from '@/workers/power'
import { designsOf, type PowerRow } from './powerWords'

const TRIES = 60
/** So many are asked for at once: what there is to do is shared out evenly, and can be followed. */
const AT_ONCE = 5
/** Each takes some 50 MB. */
const MOST_WORKERS = 8

const wiring = ahead(() => import('./powerWorker'))

export type PowerState =
  | { at: 'not yet' }
  | { at: 'trying'; share: number; rows: PowerRow[] }
  | { at: 'there'; rows: PowerRow[] }
  | { at: 'failed'; why: string }

/** Seeds of all tries of a design, so many at once. */
const seedsOf = ({ marks, repeats }: { marks: number; repeats: number }): number[][] =>
  Array.from({ length: TRIES / AT_ONCE }, (_, part) =>
    Array.from({ length: AT_ONCE }, (__, i) => 1000 * marks + 17 * repeats + part * AT_ONCE + i + 1),
  )

/** What is tried now, with its workers once they are there. */
interface Try {
  workers: GuardedWorker<PowerApi>[]
}

/** Tries a plan and its neighbours, several at once; a change of the plan makes what was found void. */
export function usePower(plan: TrialPlan, ground: Soon<PlanGround | null>, spreadDb: number) {
  const key = JSON.stringify([plan, spreadDb])
  const [held, setHeld] = useState<{ key: string; state: PowerState } | null>(null)
  const current = useRef<Try | null>(null)
  const end = () => {
    current.current?.workers.forEach((w) => w.end())
    current.current = null
  }
  // Of a plan that is another now nothing more is tried, nor when the page is left.
  useEffect(
    () => () => {
      end()
      setHeld((known) => (known?.state.at === 'trying' ? null : known))
    },
    [key],
  )
  const set = (state: PowerState) => setHeld({ key, state })
  const start = async () => {
    end()
    const mine: Try = { workers: [] }
    current.current = mine
    const tried = designsOf(plan.marks.length, plan.repeats).map((design) => ({
      ...design,
      told: 0,
      tries: 0,
    }))
    const rows = () => tried.filter((r) => r.tries === TRIES).map((r) => ({ ...r }))
    const show = () => {
      const share = tried.reduce((sum, r) => sum + r.tries, 0) / (TRIES * tried.length)
      if (current.current === mine) set({ at: 'trying', share, rows: rows() })
    }
    show()
    try {
      const { powerWorker } = await wiring()
      const expected = ('known' in ground ? ground.known : await ground.later)?.expected ?? []
      if (current.current !== mine) return
      const parts = tried.flatMap((row) => seedsOf(row).map((seeds) => ({ row, seeds })))
      await inLanes(parts, Math.min(MOST_WORKERS, navigator.hardwareConcurrency), () => {
        const own = powerWorker()
        mine.workers.push(own)
        return async ({ row, seeds }) => {
          const { marks, repeats } = row
          const asked = { marks, repeats, spreadDb, marginDb: plan.marginDb }
          const told = await own.worker.told(plan, expected, asked, seeds)
          row.told += told
          row.tries += seeds.length
          show()
        }
      })
      set({ at: 'there', rows: rows() })
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
