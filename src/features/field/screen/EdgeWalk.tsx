'use client'

import { useState } from 'react'
import { edgeIntervals, type EdgeInterval } from '@/core/findings/onTheWay/edges'
import { marksNow, type EntryBody, type RunLog, type TrialPlan } from '@/core/trial'
import { distanceText, type Units } from '@/core/units'
import { LinkKeys } from '../pad/LinkKeys'
import { PadButton } from '../pad/PadButton'
import { keyRow, LARGE_KEY } from '../pad/keyStyles'
import { EdgeBars } from './EdgeBars'
import type { OnTheWayProps } from './onTheWayProps'
import { UndoMore } from './UndoMore'
import { noteThere, useWhere } from './useWhere'
import { WhereLine } from './WhereLine'

type What = Extract<EntryBody, { kind: 'edge' }>['what']

/** Ways that the log has walked already, besides the legs that were planned. */
function waysOf(plan: TrialPlan, log: RunLog): { id: string; name: string }[] {
  const known = new Map(marksNow(plan, log).map((m) => [m.legId, m.legName]))
  for (const { body } of log.events)
    if (body.kind === 'edge' && !known.has(body.legId)) known.set(body.legId, body.legId)
  if (known.size === 0) known.set('Way 1', 'Way 1')
  return [...known].map(([id, name]) => ({ id, name }))
}

/** How far a rig was heard, by its newest walk. */
function toldOf(walks: readonly EdgeInterval[], units: Units) {
  return (linkId: string): string | null => {
    const mine = walks.filter((w) => w.linkId === linkId)
    const last = mine.at(-1)
    if (!last) return null
    const heard = last.heardToM === null ? 'not heard' : `heard to ${distanceText(last.heardToM, units)}`
    const lost = last.lostByM === null ? ', going on' : `, lost by ${distanceText(last.lostByM, units)}`
    return `${mine.length > 1 ? `${mine.length} walks; ` : ''}${heard}${lost}`
  }
}

/** Walking rigs to their edges: one in hand, where it was last heard and first lost, and the next; in any order. */
export function EdgeWalk({
  plan,
  log,
  actions,
  position,
  source,
  units,
  ready,
  onSource,
  onMore,
}: OnTheWayProps) {
  const [linkId, setLink] = useState(plan.links[0]?.id ?? null)
  const ways = waysOf(plan, log)
  const [wayId, setWay] = useState(ways[0]!.id)
  const [direction, setDirection] = useState(plan.directions[0]!)
  const where = useWhere(plan, log, position, units)
  const link = plan.links.find((l) => l.id === linkId)
  const name = (id: string) => ways.find((w) => w.id === id)?.name ?? id
  const walks = edgeIntervals(plan, log).filter((e) => e.by === 'walked' && e.legId === wayId)
  const told = toldOf(walks, units)
  const note = async (what: What) => {
    if (!link) return
    await noteThere(actions, where, `${what} ${link.id} ${where.text}`, (distanceM) => [
      { kind: 'edge', legId: wayId, linkId: link.id, direction, what, distanceM, fix: where.fix },
      `Logged: ${link.name} ${what} ${where.words}`,
    ])
  }
  const others = ways.filter((w) => w.id !== wayId)
  return (
    <div className="field-body">
      <section
        className="field-now"
        style={{ flex: 1, display: 'flex', flexDirection: 'column', gap: 8, minHeight: 0, overflow: 'auto' }}
      >
        <h1 style={{ margin: 0, fontSize: '1.3rem', lineHeight: 1.2 }}>
          {link ? `${link.name}, ${direction}` : 'Pick a rig'}
          <span style={{ fontWeight: 400 }}> · {name(wayId)}</span>
          {log.attenuationDb > 0 && <span style={{ fontWeight: 400 }}> · {log.attenuationDb} dB in</span>}
        </h1>
        <LinkKeys links={plan.links} chosen={linkId} told={told} onChoose={setLink} />
        <div style={keyRow(plan.directions.length > 1 ? 2 : 1)}>
          <PadButton
            onClick={() => setWay(others[0]?.id ?? `Way ${ways.length + 1}`)}
            style={{ fontSize: '1rem' }}
          >
            {others[0] ? `Go to ${others[0].name}` : 'Another way'}
          </PadButton>
          {plan.directions.length > 1 && (
            <PadButton
              onClick={() => setDirection(plan.directions.find((d) => d !== direction)!)}
              style={{ fontSize: '1rem' }}
            >
              Now {plan.directions.find((d) => d !== direction)}
            </PadButton>
          )}
        </div>
        <EdgeBars walks={walks} links={plan.links} units={units} />
      </section>
      <div className="field-pad">
        <WhereLine
          where={where}
          units={units}
          hasMarks={plan.marks.length > 0}
          base={plan.base}
          source={source}
          onSource={onSource}
        />
        <div style={keyRow(2)}>
          <PadButton disabled={!ready || !link} onClick={() => void note('first lost')} style={LARGE_KEY}>
            First lost here
          </PadButton>
          <PadButton
            strong
            disabled={!ready || !link}
            onClick={() => void note('last heard')}
            style={LARGE_KEY}
          >
            Last heard here
          </PadButton>
        </div>
        <div style={keyRow(3)}>
          <UndoMore {...{ actions, ready, onMore }} />
          <PadButton disabled={!ready || !link} onClick={() => void note('heard again')}>
            Heard again
          </PadButton>
        </div>
      </div>
    </div>
  )
}
