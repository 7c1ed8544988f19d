import { nextWords, type Findings, type NextChecks } from '@/core/findings'
import { marksNow } from '@/core/trial'
import { distanceText, type Units } from '@/core/units'
import { LinkButton } from '@/ui/shell/LinkButton'
import { Table } from '@/ui/table/Table'
import { namesOf, type AskedFindings } from '../frame/openFindings'
import { PlaceHead, PlacePart } from '../frame/PlaceHead'

interface Props {
  asked: AskedFindings
  findings: Findings
  next: NextChecks | null
  /** What the answer says would settle it. */
  settle: string | null
  units: Units
}

const SHOWN = 8
const percent = (share: number) => (share < 0.005 ? 'under 1 %' : `${Math.round(100 * share)} %`)

/** What to check next: where one more visit does most for what is still open. */
export function NextPlace({ asked, findings, next, settle, units }: Props) {
  const { link, mark } = namesOf(asked)
  const marks = new Map(marksNow(asked.plan, asked.shown.log).map((m) => [m.id, m]))
  return (
    <>
      <PlaceHead title="Next" says={next ? <b>{nextWords(next, link, mark)}</b> : undefined} />
      {settle && <p style={{ margin: '0 0 12px', maxWidth: 860 }}>{settle}</p>}
      {next && (
        <PlacePart title="What a visit is worth">
          <Table
            label="What a visit is worth"
            stacks
            minPx={560}
            head={
              <>
                <th>Mark</th>
                <th>Visits so far</th>
                <th>Takes off what is open</th>
                <th>Minutes</th>
              </>
            }
          >
            {next.marks.slice(0, SHOWN).map((m) => (
              <tr key={m.markId}>
                <td>
                  <b>{mark(m.markId)}</b>, {distanceText(marks.get(m.markId)?.distanceM ?? 0, units)}
                </td>
                <td data-label="Visits so far">{m.visits}</td>
                <td data-label="Takes off what is open">
                  <span
                    aria-hidden="true"
                    style={{
                      display: 'inline-block',
                      height: 10,
                      width: `${Math.min(160, 800 * m.narrows)}px`,
                      background: 'var(--accent-fill)',
                      marginRight: 8,
                    }}
                  />
                  {percent(m.narrows)}
                </td>
                <td data-label="Minutes">{Math.round(m.minutes)}</td>
              </tr>
            ))}
          </Table>
          <p style={{ color: 'var(--soft)', maxWidth: 860 }}>
            Best for its time first: the checks, and a share of the walk there and back. What is expected
            comes from this log itself; a new day adds its own weather and ground.
          </p>
        </PlacePart>
      )}
      {!next && !settle && (
        <p style={{ maxWidth: 860 }}>
          {findings.where === 'ways'
            ? 'Nothing that was asked is open any more.'
            : 'Distances tell nothing here, so no mark is better than another: repeat what was done, at another hour or on another day.'}
        </p>
      )}
      <PlacePart title="Before you go">
        <LinkButton variant="outlined" href={`/trials/${asked.open.trial.id}/plan`}>
          Change the plan, and try it in a simulated field
        </LinkButton>
      </PlacePart>
    </>
  )
}
