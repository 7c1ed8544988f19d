import { useRouter } from 'next/navigation'
import { useRef, useState } from 'react'
import { problem, type Problem } from '@/core/outcome'
import { posted } from '@/ui/answers/posted'
import { unanswered } from '@/ui/answers/useAction'
import { whyOf } from '@/ui/answers/useAnswer'
import { freshTerrainWorker } from '@/ui/terrain/useTerrain'

const MAX_BYTES = 64 * 1024 * 1024

/** Reads files of elevation in a worker of its own and keeps them, one after another; can be cancelled. */
export function useBringGround() {
  const router = useRouter()
  const [doing, setDoing] = useState<string | null>(null)
  const [problems, setProblems] = useState<Problem[]>([])
  const [said, setSaid] = useState('')
  const stop = useRef<(() => void) | null>(null)

  const bring = async (files: File[]) => {
    setProblems([])
    setSaid('')
    const large = files.find((f) => f.size > MAX_BYTES)
    if (large) {
      setProblems([
        {
          code: 'large',
          where: large.name,
          message: 'It is larger than 64 MB. Cut it to your ground first.',
        },
      ])
      return
    }
    // A worker of its own, so that cancelling ends it without touching the map's.
    const { worker, end } = freshTerrainWorker()
    const aborter = new AbortController()
    const cancelled = new Promise<never>((_, reject) => {
      stop.current = () => {
        aborter.abort()
        end()
        reject(new DOMException('cancelled', 'AbortError'))
      }
    })
    try {
      const taken: string[] = []
      for (const [i, file] of files.entries()) {
        const of = files.length > 1 ? ` (${i + 1} of ${files.length})` : ''
        setDoing(`Reading ${file.name}${of}`)
        const outcome = await Promise.race([worker.read(file.name, await file.arrayBuffer()), cancelled])
        if (!outcome.ok) {
          setProblems(outcome.problems)
          break
        }
        const { grid, filled } = outcome.value
        setDoing(`Keeping ${file.name}${of}`)
        const { data, filled: mask, ...where } = grid
        const query = new URLSearchParams({
          name: file.name,
          ...Object.fromEntries(Object.entries(where).map(([k, v]) => [k, String(v)])),
        })
        const body = new Blob([data as BlobPart, ...(mask ? [mask as BlobPart] : [])])
        const kept = await posted(`/api/grids?${query}`, body, aborter.signal)
        if (!kept.ok) {
          setProblems(kept.problems.map((p) => ({ ...p, where: file.name })))
          break
        }
        taken.push(
          `${file.name}: ${grid.width} × ${grid.height} heights${filled > 0 ? `, ${filled} voids filled from around them` : ''}`,
        )
      }
      if (taken.length > 0) setSaid(`${taken.join('. ')}.`)
      router.refresh()
    } catch (e) {
      if (e instanceof DOMException && e.name === 'AbortError')
        setSaid('Cancelled; nothing of that file was kept.')
      else
        setProblems([
          e instanceof TypeError
            ? unanswered(e)
            : problem('refused', 'Ground', `It could not be read: ${whyOf(e)}`),
        ])
    } finally {
      stop.current = null
      setDoing(null)
      end()
    }
  }
  return { doing, problems, said, bring, cancel: () => stop.current?.() }
}
