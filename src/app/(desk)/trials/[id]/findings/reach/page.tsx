import { db, groundOfTrial, listParts, listRigs } from '@/data'
import { usedOf } from '@/core/offered'
import type { Findings } from '@/core/findings'
import type { Units } from '@/core/units'
import { findingsOfRuns, walksOf } from '@/features/findings/frame/compute'
import { answerFor, type AskedFindings } from '@/features/findings/frame/openFindings'
import { placePage } from '@/features/findings/frame/placePage'
import { areasToCover, settingsWithArea } from '@/features/findings/reach/areasToCover'
import { burdensOf } from '@/features/findings/reach/burdens'
import { ReachPlace } from '@/features/findings/reach/ReachPlace'
import { correctedGround, reachOnGround } from '@/server/learntCorrection'

/** What tells how far where no checks do. */
async function onTheWayOf(asked: AskedFindings, findings: Findings, units: Units) {
  if (findings.checks > 0) return null
  const walks = await walksOf(asked.plan, asked.shown.log, asked.settings)
  const reaches = (walks.walked ?? walks['by ear'])?.reaches ?? []
  return { answer: await answerFor(asked, findings, units), reaches }
}

export default placePage(async (asked, units, query) => {
  const areas = areasToCover(usedOf(groundOfTrial(db(), asked.open).areas), asked.plan.base)
  const findings = await findingsOfRuns(asked.chosen, settingsWithArea(asked.settings, areas))
  return (
    <ReachPlace
      {...{ asked, findings, areas, units }}
      ground={await correctedGround(db(), asked.open.trial.id, asked.plan)}
      onGround={await reachOnGround(db(), asked.open, asked.settings.reliability)}
      burdens={burdensOf(listRigs(db()), listParts(db()))}
      onTheWay={await onTheWayOf(asked, findings, units)}
      leg={typeof query.leg === 'string' ? query.leg : null}
    />
  )
})
