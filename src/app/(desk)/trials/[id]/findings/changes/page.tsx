import { db, groundOf } from '@/data'
import { ChangesPlace } from '@/features/findings/changes/ChangesPlace'
import { breakdownOfRuns } from '@/features/findings/frame/compute'
import { placePage } from '@/features/findings/frame/placePage'

export default placePage(async (asked) => (
  <ChangesPlace
    asked={asked}
    breakdown={await breakdownOfRuns(
      asked.chosen,
      asked.settings,
      groundOf(db(), asked.open.trial.id, asked.plan),
    )}
  />
))
