import { DifferencesPlace } from '@/features/findings/differences/DifferencesPlace'
import { findingsOfRuns } from '@/features/findings/frame/compute'
import { placePage } from '@/features/findings/frame/placePage'

export default placePage(async (asked, units) => (
  <DifferencesPlace {...{ asked, units }} findings={await findingsOfRuns(asked.chosen, asked.settings)} />
))
