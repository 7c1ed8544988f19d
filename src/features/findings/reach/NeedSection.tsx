import Typography from '@mui/material/Typography'
import { PageLink } from '@/ui/shell/PageLink'
import { decide, decisionWords, type Burden, type Findings } from '@/core/findings'
import type { Link } from '@/core/kit'
import type { Units } from '@/core/units'
import { Table } from '@/ui/table/Table'
import type { Settings } from '../frame/ruleParams'
import { PlacePart } from '../frame/PlaceHead'
import { needOf, type AreaToCover } from './areasToCover'
import { NeedForm } from './NeedForm'

interface Props {
  trialId: string
  links: readonly Link[]
  runId: string
  findings: Findings
  settings: Settings
  burdens: [string, Burden][]
  areas: AreaToCover[]
  units: Units
}

const pounds = (g: number, units: Units) =>
  units === 'metric'
    ? g >= 1000
      ? `${(g / 1000).toFixed(1)} kg`
      : `${Math.round(g)} g`
    : `${(g / 28.35).toFixed(0)} oz`

function burdenText(b: Burden | null, units: Units): string {
  if (!b) return 'not in the kit any more'
  const parts = [
    b.wornMm !== null &&
      (units === 'metric'
        ? `${Math.round(b.wornMm / 10)} cm worn`
        : `${(b.wornMm / 25.4).toFixed(0)} in worn`),
    b.weightG !== null && pounds(b.weightG, units),
    b.price !== null && `price ${b.price}`,
    `${b.powerW} W`,
  ]
  return parts.filter(Boolean).join(', ')
}

/** Is it enough: the rigs against what is needed, the least burdensome that meets it first. */
export function NeedSection({ trialId, links, runId, findings, settings, burdens, areas, units }: Props) {
  const name = (id: string) => links.find((l) => l.id === id)?.name ?? id
  const answers = decide(findings, links, needOf(settings, areas), new Map(burdens), units)
  return (
    <PlacePart title="Is it enough">
      <NeedForm {...{ runId, settings, units }} areas={areas.map((a) => ({ id: a.id, name: a.name }))} />
      {answers.length === 0 ? (
        <p style={{ margin: 0 }}>
          Say how far it must be copied, or beyond where it must not be heard
          {areas.length > 0 ? ', or pick an area that is to be covered' : ''}.
        </p>
      ) : (
        <>
          <Typography sx={{ fontWeight: 700, fontSize: '1.1rem' }}>
            {decisionWords(answers, name, units)}
          </Typography>
          <Table
            label="The need"
            wide
            stacks
            minPx={680}
            head={
              <>
                <th>Link</th>
                <th>The need</th>
                <th>Why</th>
                <th>Burden</th>
              </>
            }
          >
            {answers.map((a) => (
              <tr key={a.linkId}>
                <td>{name(a.linkId)}</td>
                <td data-label="The need">
                  <b>{a.met}</b>
                </td>
                <td data-label="Why">{a.why}</td>
                <td data-label="Burden">{burdenText(a.burden, units)}</td>
              </tr>
            ))}
          </Table>
          {settings.areaId && (
            <p style={{ margin: '8px 0 0' }}>
              An area counts here as far as the reach along these legs goes, as if it went as far all round.
              What the ground lets through stands under{' '}
              <PageLink href={`/trials/${trialId}/reach`}>Reach</PageLink>.
            </p>
          )}
        </>
      )}
    </PlacePart>
  )
}
