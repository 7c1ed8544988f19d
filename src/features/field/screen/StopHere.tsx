'use client'

import { useState } from 'react'
import { marksNow, placeOfBase, type Mark } from '@/core/trial'
import { countText } from '@/core/units'
import { FIELD_INPUT, LARGE_KEY } from '../pad/keyStyles'
import { PadButton } from '../pad/PadButton'
import { markAt, newMark } from '../position/newMark'
import type { OnTheWayProps } from './onTheWayProps'
import { UndoMore } from './UndoMore'
import { useWhere } from './useWhere'
import { WhereLine } from './WhereLine'

const LEG = { id: 'on-the-way', name: 'On the way' }
/** Where nothing is known yet; it is measured later. */
const A_GUESS_M = 1000

/** The next free name: M01, M02 and on. */
function nextName(marks: readonly Mark[]): string {
  const taken = new Set(marks.map((m) => m.name))
  for (let n = marks.length + 1; ; n++) {
    const name = `M${String(n).padStart(2, '0')}`
    if (!taken.has(name)) return name
  }
}

/** Stopping wherever one can: the mark is made here, and its checks begin. */
export function StopHere({
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
  const where = useWhere(plan, log, position, units)
  const marks = marksNow(plan, log)
  const [typedName, setName] = useState('')
  const name = typedName.trim() || nextName(marks)
  const base = placeOfBase(plan.base)
  const made = marks.length
  const stop = (mark: Mark) =>
    actions.tapped(`stop ${mark.name}`, async () => {
      if (marks.some((m) => m.name.toLowerCase() === mark.name.toLowerCase()))
        return actions.setSaid(`There is a mark ${mark.name} already. Give this one another name.`)
      await actions.beginMark(mark, where.fix)
      setName('')
      where.setText('')
    })
  const here = () => {
    if (base && position) return stop(markAt(name, LEG, base, position))
    if (where.distanceM === null) {
      actions.setSaid('How far from the base? Type it, use the position, or say it later.')
      return Promise.resolve()
    }
    return stop(newMark({ name, leg: LEG, how: 'odometer', distanceM: where.distanceM }))
  }
  const later = () =>
    stop(newMark({ name, leg: LEG, how: 'pegged', distanceM: marks.at(-1)?.distanceM ?? A_GUESS_M }))
  return (
    <div className="field-body">
      <section
        className="field-now"
        style={{
          flex: 1,
          display: 'flex',
          flexDirection: 'column',
          gap: 10,
          minHeight: 0,
          justifyContent: 'center',
        }}
      >
        <h1 style={{ margin: 0, fontSize: '1.7rem' }}>
          {made === 0 ? 'Where do you stop first?' : 'Go on, and stop where you can.'}
        </h1>
        {made > 0 && (
          <div style={{ fontSize: '1.05rem' }}>
            {countText(made, 'mark')} so far, {countText(log.checks.filter((c) => !c.voided).length, 'check')}
            .
          </div>
        )}
        <label style={{ display: 'grid', gap: 2, fontSize: '0.95rem' }}>
          What this place is called
          <input
            value={typedName}
            placeholder={nextName(marks)}
            maxLength={60}
            onChange={(e) => setName(e.target.value)}
            style={FIELD_INPUT}
          />
        </label>
      </section>
      <div className="field-pad">
        <WhereLine
          where={where}
          units={units}
          hasMarks={false}
          base={plan.base}
          source={source}
          onSource={onSource}
        />
        {!where.byPosition && (
          <PadButton disabled={!ready} onClick={() => void later()} style={{ fontSize: '1rem' }}>
            Stop here, measure it later
          </PadButton>
        )}
        <div style={{ display: 'grid', gridTemplateColumns: '1fr 1fr 2fr', gap: 4 }}>
          <UndoMore {...{ actions, ready, onMore }} />
          <PadButton strong disabled={!ready} onClick={() => void here()} style={LARGE_KEY}>
            Stop here
          </PadButton>
        </div>
      </div>
    </div>
  )
}
