import { db, groundOf, listAreas, listParts, listRigs } from '@/data'
import { findingsOfRuns } from '@/features/findings/frame/compute'
import { placePage } from '@/features/findings/frame/placePage'
import { areasToCover, settingsWithArea } from '@/features/findings/reach/areasToCover'
import { burdensOf } from '@/features/findings/reach/burdens'
import { ReachPlace } from '@/features/findings/reach/ReachPlace'

export default placePage(async (asked, units, query) => {
  const areas = areasToCover(listAreas(db()), asked.plan.base)
  return (
    <ReachPlace
      asked={asked}
      findings={await findingsOfRuns(asked.chosen, settingsWithArea(asked.settings, areas))}
      ground={groundOf(db(), asked.plan)}
      burdens={burdensOf(listRigs(db()), listParts(db()))}
      areas={areas}
      leg={typeof query.leg === 'string' ? query.leg : null}
      units={units}
    />
  )
})
