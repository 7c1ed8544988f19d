'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import type { Link } from '@/core/kit'
import { edgesOf, type MarkPrediction } from '@/core/reach'
import { type Units, countText, distanceText, heightText } from '@/core/units'
import type { LegWithMarks } from '@/data/ground'
import { Table } from '@/ui/table/Table'
import { useAction } from '@/ui/answers/useAction'
import { RigBadge } from '@/ui/shell'
import { looksOf } from '@/ui/theme/palette'
import { dropLeg } from './actions'
import { edgeWords, noEdgeWords } from './edgeWords'
import { MeasureMark } from './MeasureMark'
import { MEANS } from './means'
import { TagsField } from './TagsField'

interface Props {
  trialId: string
  legs: LegWithMarks[]
  links: Link[]
  predictions: MarkPrediction[]
  /** Some ground is known, here or elsewhere. */
  hasGround: boolean
  chosen: string | null
  units: Units
  onChoose: (markId: string) => void
}

const degrees = (v: number | null) => (v === null ? '' : `${Math.round(v)}°`)
const back = (v: number | null) => (v === null ? null : (v + 180) % 360)
const KINDS = { clear: 'in sight', grazing: 'grazing', shadowed: 'shadowed' }

function Edges({
  predictions,
  links,
  units,
}: {
  predictions: MarkPrediction[]
  links: Link[]
  units: Units
}) {
  const edges = edgesOf(predictions, links)
  if (edges.length === 0) return null
  const name = (id: string) => links.find((l) => l.id === id)!.name
  return (
    <Box sx={{ my: 0.75 }}>
      {edgeWords(edges, name, units)} <b>{noEdgeWords(edges, name)}</b>
    </Box>
  )
}

/** Says from where on a leg its ground is not known. */
function LeavesGround({ predictions, units }: { predictions: MarkPrediction[]; units: Units }) {
  const lost = predictions.filter(
    (o) => o.mark.lat !== null && Object.keys(o.weaker).length === 0 && o.kind === null,
  )
  const known = predictions.filter((o) => o.kind !== null).map((o) => o.mark.distanceM)
  if (lost.length === 0) return null
  return (
    <Box sx={{ my: 0.75 }}>
      <b>
        {known.length === 0
          ? 'This leg lies outside the ground that is known'
          : `It leaves the ground that is known past ${distanceText(Math.max(...known), units)}`}
      </b>
      : {lost.map((o) => o.mark.name).join(', ')} {lost.length === 1 ? 'is' : 'are'} not predicted. Bring in
      the tile beside.
    </Box>
  )
}

/** The chance of a copy to expect at a mark, in the weaker direction. */
function Chance({ of: p }: { of: MarkPrediction['weaker'][string] | undefined }) {
  if (!p) return <td>not known</td>
  return (
    <td>
      <b>{Math.round(100 * p.chance)} %</b> <span style={{ color: 'var(--soft)' }}>{p.direction}</span>
    </td>
  )
}

/** The trial's legs, each with its marks: where they are, how they lie, what to expect there. */
export function LegList({ trialId, legs, links, predictions, hasGround, chosen, units, onChoose }: Props) {
  const looks = looksOf(links.map((l) => l.letter))
  const onGround = predictions.some((o) => o.groundM !== null)
  const action = useAction()
  const [measuring, setMeasuring] = useState<string | null>(null)
  return (
    <>
      {action.refusal('It was not taken out', 'Leg')}
      {legs.map((leg) => {
        const mine = predictions.filter((o) => o.mark.legId === leg.id)
        return (
          <Box key={leg.id} sx={{ borderTop: '1px solid var(--rule)', py: 1.25 }}>
            <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1 }}>
              <Typography component="h3" variant="h3">
                {leg.name}
              </Typography>
              <Box sx={{ color: 'var(--soft)', flex: 1 }}>
                {countText(leg.marks.length, 'mark')}, out to{' '}
                {distanceText(Math.max(0, ...leg.marks.map((m) => m.distanceM)), units)}
              </Box>
              <Button
                size="small"
                onClick={() => void action.run(() => dropLeg(trialId, leg.id))}
                aria-label={`Take out ${leg.name}`}
              >
                Take out
              </Button>
            </Box>
            <Edges predictions={mine} links={links} units={units} />
            {hasGround && <LeavesGround predictions={mine} units={units} />}
            <details open={legs.length === 1}>
              <summary style={{ cursor: 'pointer' }}>Its marks</summary>
              <Table
                label={`Marks of ${leg.name}`}
                wide
                head={
                  <>
                    <th>Mark</th>
                    <th>Crow-flies</th>
                    <th>Bearing, back</th>
                    <th>Along the way</th>
                    <th>Kind of place</th>
                    {onGround && <th>Height, lie</th>}
                    {onGround &&
                      links.map((l, i) => (
                        <th key={l.id}>
                          <RigBadge letter={l.letter} index={looks[i]!} size={18} /> chance
                        </th>
                      ))}
                  </>
                }
              >
                {mine.map(({ mark: m, groundM, kind, weaker }) => (
                  <tr key={m.id} style={chosen === m.id ? { background: 'var(--raised)' } : undefined}>
                    <td>
                      <Button
                        size="small"
                        sx={{ minWidth: 0, px: 0.5 }}
                        onClick={() => onChoose(m.id)}
                        aria-label={`Profile to ${m.name}`}
                      >
                        {m.name}
                      </Button>
                    </td>
                    <td>
                      {distanceText(m.distanceM, units)}
                      {m.distanceSdM !== null && ` ± ${distanceText(m.distanceSdM, units)}`}
                      {m.lat === null && (
                        <Box sx={{ color: 'var(--soft)', fontSize: '0.88rem' }}>
                          {MEANS.find((x) => x.means === m.how)?.short}
                          <Button
                            size="small"
                            onClick={() => setMeasuring(m.id)}
                            aria-label={`Measure ${m.name}`}
                          >
                            Measure
                          </Button>
                        </Box>
                      )}
                      {measuring === m.id && (
                        <MeasureMark mark={m} units={units} onDone={() => setMeasuring(null)} />
                      )}
                    </td>
                    <td>
                      {degrees(m.bearingDeg)}
                      {m.bearingDeg !== null && `, ${degrees(back(m.bearingDeg))}`}
                    </td>
                    <td>{m.alongM === null ? '' : distanceText(m.alongM, units)}</td>
                    <td>
                      <TagsField key={(m.tags ?? []).join()} mark={m} />
                    </td>
                    {onGround && (
                      <td>
                        {groundM === null ? 'not known' : heightText(Math.round(groundM), units)}
                        {kind && `, ${KINDS[kind]}`}
                      </td>
                    )}
                    {onGround && links.map((l) => <Chance key={l.id} of={weaker[l.id]} />)}
                  </tr>
                ))}
              </Table>
            </details>
          </Box>
        )
      })}
    </>
  )
}
