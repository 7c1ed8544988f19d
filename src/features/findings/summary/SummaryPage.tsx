import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { decide, decisionWords, type Answer, type Burden, type Findings } from '@/core/findings'
import { marksNow } from '@/core/trial'
import type { Units } from '@/core/units'
import { looksById } from '@/ui/theme/palette'
import { AnswerView } from '../answer/AnswerView'
import { PlacesPart } from '../answer/PlacesPart'
import { RestsOn } from '../checks/RestsOn'
import { choicesText } from '../frame/choicesText'
import type { Places } from '../frame/places'
import { namesOf, type AskedFindings } from '../frame/openFindings'
import { needOf, type AreaToCover } from '../reach/areasToCover'
import { ReachTable } from '../reach/ReachTable'
import { SummarySheet } from './SummarySheet'

interface Props {
  asked: AskedFindings
  findings: Findings
  answer: Answer
  places: Promise<Places | null>
  burdens: [string, Burden][]
  areas: AreaToCover[]
  units: Units
}

/** One sheet to print: the answer to the question with its picture, how far, what to take, and by what method. */
export function SummaryPage({ asked, findings, answer, places, burdens, areas, units }: Props) {
  const { plan, runs, shown, settings } = asked
  const { link } = namesOf(asked)
  const answers = decide(findings, plan.links, needOf(settings, areas), new Map(burdens), units)
  const runList = runs.map((r) => ({ id: r.row.id, name: r.row.name }))
  return (
    <SummarySheet asked={asked}>
      <AnswerView {...{ answer, units }} looks={looksById(plan.links)} />
      <PlacesPart places={places} />
      {findings.where === 'ways' && findings.checks > 0 && (
        <Box sx={{ breakInside: 'avoid' }}>
          <Typography variant="h3" component="h2" sx={{ mt: 2, mb: 0.5 }}>
            How far
          </Typography>
          <ReachTable findings={findings} links={plan.links} units={units} usableOnly />
        </Box>
      )}
      {answers.length > 0 && (
        <Box sx={{ breakInside: 'avoid' }}>
          <Typography variant="h3" component="h2" sx={{ mt: 2, mb: 0.5 }}>
            What to take
          </Typography>
          <b>{decisionWords(answers, link, units)}</b>
        </Box>
      )}
      <Box sx={{ breakInside: 'avoid' }}>
        <Typography variant="h3" component="h2" sx={{ mt: 2, mb: 0.5 }}>
          Method
        </Typography>
        <RestsOn findings={findings} plan={plan} marks={marksNow(plan, shown.log).length} />
        <p style={{ margin: '4px 0 0', color: 'var(--soft)' }}>
          Checks used: {choicesText(settings, runList, shown.row.id)} Intervals are 90 %; marks are the units.
        </p>
      </Box>
    </SummarySheet>
  )
}
