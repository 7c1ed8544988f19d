import { sumDb } from '@/core/kit/rig/rig'
import type { CopyRule } from '@/core/reports/copyRule'
import type { LoggedCheck } from '@/core/trial/foldEntries'
import type { Mark, TrialPlan } from '@/core/trial/plan'
import type { Choices } from './choices'
import { inputOf, knownIn, type FindingsInput } from './input'

/** One run as it is put together with others. */
export interface RunPart {
  id: string
  name: string
  plan: TrialPlan
  marks: Mark[]
  checks: LoggedCheck[]
  fixedBeforehand: boolean
}

export interface Pool {
  input: FindingsInput
  /** Runs that cannot be put together with the first, and why. */
  apart: { runId: string; name: string; why: string }[]
}

/**
 * Several runs of a trial as one. The first run's links and scales hold for all; a rig whose known figures
 * were others in a later run is evened to what they were in the first. Marks are the same where their ids
 * are, and each run's visit to a mark keeps a level of its own in differences.
 */
export function poolRuns(parts: readonly RunPart[], copyRule: CopyRule, choices: Choices): Pool {
  const [first, ...rest] = parts
  if (!first) throw new RangeError('a pool needs a run')
  const base = inputOf(first.plan, first.marks, first.checks, first.fixedBeforehand, copyRule, choices)
  if (rest.length === 0) return { input: base, apart: [] }
  const links = [...base.links]
  const marks = [...base.marks]
  const checks = first.checks.map((c) => ({ ...c, runId: first.id }))
  const apart: Pool['apart'] = []
  const runs = [{ id: first.id, name: first.name }]
  let fixedBeforehand = first.fixedBeforehand
  for (const part of rest) {
    const unlike = (['base', 'out'] as const).find(
      (who) => JSON.stringify(part.plan.scales[who]) !== JSON.stringify(first.plan.scales[who]),
    )
    if (unlike) {
      const who = unlike === 'base' ? 'the base' : 'whoever was out there'
      apart.push({
        runId: part.id,
        name: part.name,
        why: `${who} reported in another scale there, and two scales are not mixed`,
      })
      continue
    }
    runs.push({ id: part.id, name: part.name })
    fixedBeforehand &&= part.fixedBeforehand
    for (const link of part.plan.links) if (!links.some((l) => l.id === link.id)) links.push(link)
    for (const mark of part.marks) if (!marks.some((m) => m.id === mark.id)) marks.push(mark)
    for (const check of part.checks) {
      const own = part.plan.links.find((l) => l.id === check.linkId)
      const held = links.find((l) => l.id === check.linkId)
      const changed = own && held && own !== held ? sumDb(knownIn(base, own, held, check.direction)) : 0
      checks.push({ ...check, runId: part.id, attenuationDb: check.attenuationDb - changed })
    }
  }
  return { input: { ...base, links, marks, checks, runs, fixedBeforehand }, apart }
}
