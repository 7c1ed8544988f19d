import Box from '@mui/material/Box'
import { PageLink } from '@/ui/shell/PageLink'
import type { Findings } from '@/core/findings'
import { marksNow } from '@/core/trial'
import { countText, type Units } from '@/core/units'
import { choicesText } from '../frame/choicesText'
import { paramsFromSettings } from '../frame/ruleParams'
import type { AskedFindings } from '../frame/openFindings'
import { PlaceHead, PlacePart } from '../frame/PlaceHead'
import { KnobsButton } from '../knobs/KnobsButton'
import { knobsOf } from '../knobs/knobsOf'
import { ChecksTable } from './ChecksTable'
import { OnTheWay } from './OnTheWay'
import { RestsOn } from './RestsOn'

const ON_A_PAGE = 30

interface Props {
  asked: AskedFindings
  findings: Findings
  /** From 1. */
  page: number
  units: Units
}

/** The checks that were used and how they were read, what was left out, and all else that the log holds. */
export function ChecksPlace({ asked, findings, page, units }: Props) {
  const { open, plan, runs, shown, settings } = asked
  const marks = marksNow(plan, shown.log)
  const order = new Map(marks.map((m, i) => [m.id, i]))
  const checks = [...shown.log.checks].sort(
    (a, b) => (order.get(a.markId) ?? 0) - (order.get(b.markId) ?? 0) || (a.time < b.time ? -1 : 1),
  )
  const pages = Math.max(1, Math.ceil(checks.length / ON_A_PAGE))
  const at = Math.min(Math.max(1, page), pages)
  const query = paramsFromSettings(settings, shown.row.id)
  const runList = runs.map((r) => ({ id: r.row.id, name: r.row.name }))
  return (
    <>
      <PlaceHead title="Checks" says={`Checks used: ${choicesText(settings, runList, shown.row.id)}`}>
        <KnobsButton {...knobsOf(asked)} label="Choose others" />
      </PlaceHead>
      <PlacePart title="Method">
        <RestsOn findings={findings} plan={plan} marks={marks.length} />
      </PlacePart>
      {checks.length > 0 && (
        <PlacePart title={`${countText(checks.length, 'check')} of ${shown.row.name}`}>
          <ChecksTable
            plan={plan}
            checks={checks.slice((at - 1) * ON_A_PAGE, at * ON_A_PAGE)}
            {...{ marks, units }}
          />
          {pages > 1 && (
            <Box component="nav" aria-label="Pages of checks" sx={{ display: 'flex', gap: 2, mt: 1 }}>
              <span>
                Page {at} of {pages}
              </span>
              {at > 1 && (
                <PageLink href={`/trials/${open.trial.id}/findings/checks?${query}&page=${at - 1}`}>
                  The {ON_A_PAGE} before
                </PageLink>
              )}
              {at < pages && (
                <PageLink href={`/trials/${open.trial.id}/findings/checks?${query}&page=${at + 1}`}>
                  The next {Math.min(ON_A_PAGE, checks.length - at * ON_A_PAGE)}
                </PageLink>
              )}
            </Box>
          )}
        </PlacePart>
      )}
      <OnTheWay runId={shown.row.id} plan={plan} log={shown.log} units={units} />
    </>
  )
}
