import { ChecksPlace } from '@/features/findings/checks/ChecksPlace'
import { findingsOfRuns } from '@/features/findings/frame/compute'
import { placePage } from '@/features/findings/frame/placePage'

export default placePage(async (asked, units, query) => (
  <ChecksPlace
    {...{ asked, units }}
    findings={await findingsOfRuns(asked.chosen, asked.settings)}
    page={Number(query.page) || 1}
  />
))
