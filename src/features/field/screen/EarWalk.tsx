'use client'

import { useState } from 'react'
import { earStatesOf, type EarState, type RunLog } from '@/core/trial'
import { LinkKeys } from '../pad/LinkKeys'
import { PadButton } from '../pad/PadButton'
import { keyRow, LARGE_KEY } from '../pad/keyStyles'
import type { OnTheWayProps } from './onTheWayProps'
import { UndoMore } from './UndoMore'
import { noteThere, useWhere } from './useWhere'
import { WhereLine } from './WhereLine'

/** The state a link is in by the log, with the way it was noted on. */
function lastOf(log: RunLog, linkId: string): { state: string | null; way: 'out' | 'home' } | null {
  const last = log.events.findLast((e) => e.body.kind === 'state' && e.body.linkId === linkId)?.body
  return last?.kind === 'state' ? { state: last.state, way: last.way } : null
}

/** By ear on the way: one large key for each state, pressed when it changes. */
export function EarWalk({
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
  const where = useWhere(plan, log, position, units)
  const link = plan.links.find((l) => l.id === linkId)
  const last = linkId === null ? null : lastOf(log, linkId)
  const [way, setWay] = useState<'out' | 'home'>(last?.way ?? 'out')
  const states = earStatesOf(plan)
  const note = async ({ name }: EarState) => {
    if (!link) return
    await noteThere(actions, where, `${name} ${link.id} ${way}`, (distanceM) => [
      { kind: 'state', linkId: link.id, way, state: name, distanceM, fix: where.fix },
      `Logged: ${link.name} ${name}, ${way}, ${where.words}`,
    ])
  }
  return (
    <div className="field-body">
      <section
        className="field-now"
        style={{ flex: 1, display: 'flex', flexDirection: 'column', gap: 8, minHeight: 0, overflow: 'auto' }}
      >
        <h1 style={{ margin: 0, fontSize: '1.5rem', lineHeight: 1.2 }}>
          {link?.name ?? 'Pick a rig'}
          <span style={{ display: 'block', fontWeight: 400, fontSize: '1.1rem' }}>
            {last?.state
              ? `${last.state}, on the way ${last.way}`
              : 'How is it heard now? Tap at each change.'}
          </span>
        </h1>
        {plan.links.length > 1 && (
          <LinkKeys
            links={plan.links}
            chosen={linkId}
            told={(id) => lastOf(log, id)?.state ?? null}
            onChoose={(id) => {
              setLink(id)
              setWay(lastOf(log, id)?.way ?? way)
            }}
          />
        )}
        <div role="group" aria-label="Way" style={keyRow(2)}>
          <PadButton chosen={way === 'out'} onClick={() => setWay('out')}>
            On the way out
          </PadButton>
          <PadButton chosen={way === 'home'} onClick={() => setWay('home')}>
            On the way home
          </PadButton>
        </div>
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
        <div role="group" aria-label="It is now" style={keyRow(2)}>
          {states.map((s) => (
            <PadButton
              key={s.name}
              strong={s.means === 'lost'}
              disabled={!ready || !link}
              onClick={() => void note(s)}
              style={{ ...LARGE_KEY, fontSize: '1.3rem' }}
            >
              {s.name}
            </PadButton>
          ))}
        </div>
        <div style={keyRow(2)}>
          <UndoMore {...{ actions, ready, onMore }} />
        </div>
      </div>
    </div>
  )
}
