import Box from '@mui/material/Box'
import { walkWords, type Answer, type Burden, type Findings } from '@/core/findings'
import type { EdgeReach, LegReachOnGround, PlanGround } from '@/core/reach'
import { marksNow } from '@/core/trial'
import type { Units } from '@/core/units'
import { looksById, looksOf } from '@/ui/theme/palette'
import { AnswerLines } from '../answer/AnswerLines'
import { stripModel } from '@/ui/strip/model'
import { thinned } from '@/ui/strip/thinned'
import { Fold } from '@/ui/shell/Fold'
import { reachesCsv } from '../export/findingsCsv'
import { TextButton } from '../figures/TextButton'
import { namesOf, type AskedFindings } from '../frame/openFindings'
import { PlaceHead, PlacePart, Sentences } from '../frame/PlaceHead'
import { KnobsButton } from '../knobs/KnobsButton'
import { knobsOf } from '../knobs/knobsOf'
import type { AreaToCover } from './areasToCover'
import { ClaimsSection } from './ClaimsSection'
import { drawnLevels } from './drawnLevels'
import { LegPicker } from './LegPicker'
import { LegReaches } from './LegReaches'
import { LevelSection } from './LevelSection'
import { NeedSection } from './NeedSection'
import { ReachTable } from './ReachTable'
import { StripFigure } from './StripFigure'
import { bracketsOf } from './strips'

interface Props {
  asked: AskedFindings
  findings: Findings
  ground: PlanGround | null
  /** How far each link is copied along the legs, over their own ground. */
  onGround: LegReachOnGround[]
  burdens: [string, Burden][]
  areas: AreaToCover[]
  /** Of a log without checks: its answer, and how far each was heard on the way; null of any other. */
  onTheWay: { answer: Answer; reaches: EdgeReach[] } | null
  /** The leg that is shown; null for all. */
  leg: string | null
  units: Units
}

const NO_REACH = {
  'one place':
    'All of it was logged at one place, which says nothing of how far a rig reaches. The answer tells which is stronger there.',
  sky: 'It went by way of the sky, where no distance is a reach: how far one gets changes with the hour and the season.',
  ways: '',
} as const

/** How far each rig reaches: the strip, the figures, whether it is enough, and what makers claim. */
export function ReachPlace({
  asked,
  findings,
  ground,
  onGround,
  burdens,
  areas,
  onTheWay,
  leg,
  units,
}: Props) {
  const { plan, shown, settings } = asked
  const marks = marksNow(plan, shown.log)
  const legs = [...new Map(marks.map((m) => [m.legId, m.legName]))]
  const { link } = namesOf(asked)
  const told = findings.where === 'ways' && findings.checks > 0
  const legName = (id: string) => legs.find(([legId]) => legId === id)?.[1] ?? 'another leg'
  const walks = walkWords(plan, shown.log, link, legName, units)
  const { levels } = findings
  return (
    <>
      <PlaceHead
        title="How far"
        says={
          told
            ? `Copied means ${findings.copyRuleInWords}.`
            : findings.where !== 'ways'
              ? NO_REACH[findings.where]
              : walks.length > 0
                ? 'No checks were logged. How far each gets is told by where it was lost on the way.'
                : 'No checks were logged, and nothing that tells how far.'
        }
      >
        {findings.checks > 0 && legs.length > 1 && <LegPicker {...{ legs, leg }} />}
        <KnobsButton {...knobsOf(asked)} label="Read it another way" />
      </PlaceHead>
      {findings.checks > 0 && (
        <StripFigure
          model={thinned(stripModel(plan, marks, shown.log, bracketsOf(findings, units), leg, ground))}
          units={units}
        />
      )}
      {onTheWay && walks.length > 0 && (
        <AnswerLines answer={onTheWay.answer} looks={looksById(plan.links)} units={units} />
      )}
      {walks.length > 0 && (
        <PlacePart title="Walk by walk">
          <Sentences of={walks} />
        </PlacePart>
      )}
      {onTheWay && onTheWay.reaches.length > 0 && (
        <ClaimsSection
          {...{ findings, settings, units }}
          edges={onTheWay.reaches}
          runId={shown.row.id}
          links={plan.links}
        />
      )}
      {told && (
        <>
          <PlacePart title="Reach">
            <ReachTable findings={findings} links={plan.links} units={units} usableOnly />
            {plan.directions.length > 1 && (
              <Fold title="Each direction by itself">
                <ReachTable findings={findings} links={plan.links} units={units} />
              </Fold>
            )}
            <Box sx={{ mt: 1 }}>
              <TextButton text={reachesCsv(findings, link)} label="Copy the reaches as CSV" />
            </Box>
            <LegReaches
              {...{ onGround, units }}
              legs={findings.legs}
              correctedBy={ground?.correctedBy ?? null}
              links={plan.links}
              name={link}
            />
          </PlacePart>
          <NeedSection
            {...{ findings, burdens, areas, settings, units }}
            trialId={shown.row.trialId}
            runId={shown.row.id}
            links={plan.links}
          />
          <ClaimsSection
            edges={[]}
            {...{ findings, settings, units }}
            runId={shown.row.id}
            links={plan.links}
          />
          {levels && (
            <Box sx={{ mt: 3.5 }}>
              <Fold title="How levels fall with distance, talk-out against talk-back">
                <LevelSection
                  levels={drawnLevels(levels, plan)}
                  marginDb={findings.marginDb}
                  units={units}
                  looks={looksOf(plan.links.map((l) => l.letter))}
                />
              </Fold>
            </Box>
          )}
        </>
      )}
    </>
  )
}
