import { findingsOfRuns, nextOfRuns } from '@/features/findings/frame/compute'
import { answerFor } from '@/features/findings/frame/openFindings'
import { placePage } from '@/features/findings/frame/placePage'
import { NextPlace } from '@/features/findings/next/NextPlace'

export default placePage(async (asked, units) => {
  const findings = await findingsOfRuns(asked.chosen, asked.settings)
  return (
    <NextPlace
      {...{ asked, findings, units }}
      next={await nextOfRuns(asked.chosen, asked.settings)}
      settle={(await answerFor(asked, findings, units)).settle}
    />
  )
})
