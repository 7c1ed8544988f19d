import { db, groundOfTrial, listParts, listRigs } from '@/data'
import { usedOf } from '@/core/offered'
import { findingsOfRuns } from '@/features/findings/frame/compute'
import { filledPage } from '@/features/findings/frame/filledPage'
import { answerFor } from '@/features/findings/frame/openFindings'
import { placesOf } from '@/features/findings/frame/places'
import { areasToCover, settingsWithArea } from '@/features/findings/reach/areasToCover'
import { burdensOf } from '@/features/findings/reach/burdens'
import { SummaryPage } from '@/features/findings/summary/SummaryPage'
import { SummarySheet } from '@/features/findings/summary/SummarySheet'

export default filledPage(
  async (asked, units) => {
    const areas = areasToCover(usedOf(groundOfTrial(db(), asked.open).areas), asked.plan.base)
    const findings = await findingsOfRuns(asked.chosen, settingsWithArea(asked.settings, areas))
    const answer = await answerFor(asked, findings, units)
    return (
      <SummaryPage
        {...{ asked, areas, findings, units }}
        answer={answer}
        places={placesOf(asked, answer, units)}
        burdens={burdensOf(listRigs(db()), listParts(db()))}
      />
    )
  },
  { waiting: (asked) => <SummarySheet asked={asked} /> },
)
