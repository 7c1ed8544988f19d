import { useRouter } from 'next/navigation'
import { useRef, useState } from 'react'
import { problem, type Problem } from '@/core/outcome'
import type { HeightUnit } from '@/core/terrain'
import { posted } from '@/ui/answers/posted'
import { unanswered } from '@/ui/answers/useAction'
import { whyOf } from '@/ui/answers/useAnswer'
import { freshTerrainWorker } from '@/ui/terrain/useTerrain'
import { useNight } from '@/ui/theme/useNight'
import type { FoundGround } from '@/workers/terrain'

const MAX_BYTES = 64 * 1024 * 1024

/** A file that was looked at and can be taken. */
export type Takeable = Extract<FoundGround, { refused: null }>

interface Looked {
  files: File[]
  unit: HeightUnit | null
  found: Takeable[]
}

async function send(trialId: string, { name, grid, fromPlaces }: Takeable, signal: AbortSignal) {
  const { data, filled, ...where } = grid
  const query = new URLSearchParams({
    name,
    ...Object.fromEntries(Object.entries(where).map(([k, v]) => [k, String(v)])),
  })
  if (fromPlaces) query.set('ofTrial', trialId)
  const body = new Blob([data as BlobPart, ...(filled ? [filled as BlobPart] : [])])
  return posted(`/api/grids?${query}`, body, signal)
}

/**
 * Reads files of elevation in a worker of its own, so that they are looked at before any is taken; then keeps those
 * that are wanted, one after another. Either can be cancelled.
 */
export function useBringGround(trialId: string) {
  const router = useRouter()
  const night = useNight()
  const [doing, setDoing] = useState<string | null>(null)
  const [problems, setProblems] = useState<Problem[]>([])
  const [said, setSaid] = useState('')
  const [looked, setLooked] = useState<Looked | null>(null)
  const stop = useRef<(() => void) | null>(null)

  /** Does what may be cancelled. */
  const working = async (what: string, work: (signal: AbortSignal) => Promise<void>) => {
    setProblems([])
    setSaid('')
    setDoing(what)
    const aborter = new AbortController()
    stop.current = () => aborter.abort()
    try {
      await work(aborter.signal)
    } catch (e) {
      if (aborter.signal.aborted) setSaid('Cancelled; nothing of it was kept.')
      else
        setProblems([
          e instanceof TypeError
            ? unanswered(e)
            : problem('refused', 'Ground', `It could not be read: ${whyOf(e)}`),
        ])
    } finally {
      stop.current = null
      setDoing(null)
    }
  }

  const look = async (files: File[], unit: HeightUnit | null = null) => {
    const large = files.find((f) => f.size > MAX_BYTES)
    if (large)
      return setProblems([
        problem('large', large.name, 'It is larger than 64 MB. Cut it to your ground first.'),
      ])
    await working(`Reading ${files.map((f) => f.name).join(', ')}`, async (signal) => {
      // A worker of its own, so that cancelling ends it without touching the map's.
      const { worker, end } = freshTerrainWorker()
      const cancelled = new Promise<never>((_, reject) => {
        signal.addEventListener('abort', () => reject(new DOMException('cancelled', 'AbortError')))
      })
      try {
        const bytes = await Promise.all(
          files.map(async (f) => ({ name: f.name, bytes: new Uint8Array(await f.arrayBuffer()) })),
        )
        const outcome = await Promise.race([worker.look(bytes, unit, night), cancelled])
        if (!outcome.ok) return setProblems(outcome.problems)
        setProblems(outcome.value.flatMap((f) => f.refused ?? []))
        setLooked({ files, unit, found: outcome.value.filter((f): f is Takeable => f.refused === null) })
      } finally {
        end()
      }
    })
  }

  /** Keeps what was looked at. @param names of those that are wanted */
  const take = (names: readonly string[]) =>
    working('Keeping it', async (signal) => {
      const taken: string[] = []
      for (const found of looked?.found ?? []) {
        if (!names.includes(found.name)) continue
        const kept = await send(trialId, found, signal)
        if (!kept.ok) return setProblems(kept.problems.map((p) => ({ ...p, where: found.name })))
        const { grid, filled } = found
        const holes = filled > 0 ? `, ${filled} voids filled from around them` : ''
        taken.push(`${found.name}: ${grid.width} × ${grid.height} heights${holes}`)
        setLooked((l) => l && { ...l, found: l.found.filter((f) => f !== found) })
      }
      setSaid(`${taken.join('. ')}.`)
      router.refresh()
    })

  return {
    doing,
    problems,
    said,
    looked: looked?.found ?? NONE,
    /** What somebody said that the figures are; null where the file's own word counts. */
    unit: looked?.unit ?? null,
    look,
    /** Reads the same files again as other figures. */
    lookAs: (unit: HeightUnit | null) => void (looked && look(looked.files, unit)),
    canLookAgain: looked !== null,
    take,
    leave: () => {
      setLooked(null)
      setProblems([])
    },
    cancel: () => stop.current?.(),
  }
}

const NONE: Takeable[] = []
