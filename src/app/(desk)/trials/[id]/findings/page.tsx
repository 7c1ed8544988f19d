import { AnswerActions } from '@/features/findings/answer/AnswerActions'
import { AnswerView } from '@/features/findings/answer/AnswerView'
import { PlacesPart } from '@/features/findings/answer/PlacesPart'
import { findingsOfRuns } from '@/features/findings/frame/compute'
import { answerFor } from '@/features/findings/frame/openFindings'
import { placesOf } from '@/features/findings/frame/places'
import { placePage } from '@/features/findings/frame/placePage'
import { KnobsButton } from '@/features/findings/knobs/KnobsButton'
import { knobsOf } from '@/features/findings/knobs/knobsOf'
import { looksById } from '@/ui/theme/palette'

export default placePage(async (asked, units) => {
  const answer = await answerFor(asked, await findingsOfRuns(asked.chosen, asked.settings), units)
  const looks = looksById(asked.plan.links)
  return (
    <>
      <AnswerView
        {...{ answer, looks, units }}
        change={<KnobsButton {...knobsOf(asked)} label="Read it another way" inline />}
      />
      <PlacesPart places={placesOf(asked, answer, units)} />
      <AnswerActions {...{ answer, looks, units }} trialId={asked.open.trial.id} />
    </>
  )
})
