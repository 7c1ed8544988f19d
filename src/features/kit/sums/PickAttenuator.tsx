'use client'

import Box from '@mui/material/Box'
import { useState } from 'react'
import {
  dbText,
  pickAttenuator,
  USUAL_LEAKAGE_DB,
  type AttenuatorPick,
  type Link,
  type Part,
  type PowerSetting,
} from '@/core/kit'
import { edgeOverSmoothGround, type MeasuredSlope } from '@/core/reach'
import { distanceText, distanceUnit, fromAxis, toAxis, type Units } from '@/core/units'
import { FieldGrid } from '@/ui/fields/FieldGrid'
import { NumberBox, numberIn } from '@/ui/fields/NumberBox'
import { PickOne } from '@/ui/fields/PickOne'
import { CORRECT_FIRST, useNumbers, type NumberSpec } from '@/ui/fields/useNumbers'
import { useUnitsChange } from '@/ui/fields/useUnitsChange'
import { Quiet } from '@/ui/shell/Quiet'
import { TracedFigure } from '@/ui/trace/TracedFigure'

interface Props {
  links: Link[]
  /** The radio's power settings by rig. */
  powersOf: Record<string, PowerSetting[]>
  farthestM: number | null
  parts: Part[]
  slope: MeasuredSlope | null
  units: Units
}

const SITS = [
  { value: 'both ways', name: 'between radio and antenna' },
  { value: 'transmit', name: 'in the transmit side only' },
  { value: 'receive', name: 'in the receive side only' },
] as const
type Sits = (typeof SITS)[number]['value']

function specs({ farthestM, slope, units }: Pick<Props, 'farthestM' | 'slope' | 'units'>) {
  const unit = distanceUnit(units)
  const near = farthestM ? `The last mark is at ${distanceText(farthestM, units)}` : null
  const measured = slope
    ? `Measured here: ${slope.slope.toFixed(1)} (${slope.low.toFixed(1)} to ${slope.high.toFixed(1)})`
    : null
  return {
    edge: {
      label: 'Its edge now',
      unit,
      bounds: { above: 0 },
      help: 'Expected over smooth ground, or as you know it',
    },
    wanted: {
      label: 'Bring it to',
      unit,
      bounds: { above: 0 },
      help: near ?? 'Inside the ground that is there',
    },
    n: {
      label: 'Slope n',
      bounds: { above: 0, max: 10 },
      help: measured ?? '2 in free space, about 4 near the ground',
    },
    power: { label: 'Power there', unit: 'W', bounds: { above: 0 } },
    leak: {
      label: 'Leaks round it below',
      unit: 'dB',
      bounds: { above: 0 },
      help: 'Case and lead of a handheld: about 40',
    },
  } satisfies Record<string, NumberSpec>
}

/** What was picked: the attenuation, the parts that make it, or less power instead. */
function Picked({ pick, inputs, units }: { pick: AttenuatorPick; inputs: [string, string][]; units: Units }) {
  return (
    <>
      <Box sx={{ display: 'flex', gap: 4, flexWrap: 'wrap', mb: 1.5 }}>
        <TracedFigure
          size="large"
          label="Attenuation wanted"
          value={dbText(pick.wantedDb)}
          trace={{
            inputs: inputs.map(([name, value]) => ({ name, value })),
            formula: '10 n lg(edge now / wanted)',
            source: 'distance law; not across the plane-earth break',
          }}
        />
        <Box>
          <Quiet small>With what you own</Quiet>
          <b style={{ fontSize: '1.25rem' }}>
            {pick.parts.length === 0 ? 'nothing fits' : pick.parts.map((p) => p.name).join(' + ')}
          </b>
          {pick.parts.length > 0 && (
            <Box>
              {dbText(pick.effectiveDb)} in effect: the edge comes to about {distanceText(pick.edgeM, units)}
            </Box>
          )}
        </Box>
        {pick.settings.length > 0 && (
          <Box>
            <Quiet small>Or less power</Quiet>
            {pick.settings.map((s) => (
              <Box key={s.name}>
                <b>{s.name}</b>: {dbText(s.db)} less, the edge at about {distanceText(s.edgeM, units)}
              </Box>
            ))}
          </Box>
        )}
      </Box>
      <Box component="ul" sx={{ m: 0, pl: 2.5, maxWidth: 820 }}>
        {pick.notes.map((note) => (
          <li key={note}>{note}</li>
        ))}
      </Box>
    </>
  )
}

/** How much attenuation, or less power, brings the edge of a link inside the ground that is there. */
export function PickAttenuator({ links, powersOf, farthestM, parts, slope, units }: Props) {
  const show = (m: number) => String(Number(toAxis(m, units).toPrecision(3)))
  const expected = (link: Link | undefined) => (link ? edgeOverSmoothGround(link, 'to base') : null)
  const [linkId, setLink] = useState(links[0]?.id ?? '')
  const link = links.find((l) => l.id === linkId)
  const [sits, setSits] = useState<Sits>('both ways')
  const { texts, ok, n, set, box } = useNumbers(specs({ farthestM, slope, units }), {
    edge: show(expected(links[0]) ?? 8000),
    wanted: show((farthestM ?? 4000) * 0.75),
    n: String(Number((slope?.slope ?? 4).toFixed(2))),
    leak: String(USUAL_LEAKAGE_DB),
    power: String(links[0]?.out.powerW ?? 2),
  })
  useUnitsChange(units, (from, to) => {
    const turned = (text: string) => {
      const typed = numberIn(text)
      return typed === null ? text : String(Number(toAxis(fromAxis(typed, from), to).toPrecision(3)))
    }
    set({ edge: turned(texts.edge), wanted: turned(texts.wanted) })
  })
  const edgeM = fromAxis(n('edge'), units)
  const wantedM = fromAxis(n('wanted'), units)
  const answer = (): AttenuatorPick | string => {
    if (!ok) return CORRECT_FIRST
    if (!(wantedM < edgeM)) return 'The edge is inside already: no attenuation is needed.'
    return pickAttenuator({
      edgeM,
      wantedM,
      slope: n('n'),
      powerW: n('power'),
      owned: parts.filter((p) => p.kind === 'attenuator'),
      powers: link ? (powersOf[link.out.id] ?? []) : [],
      leakageDb: n('leak'),
      sits,
    })
  }
  const pick = answer()
  const choose = (id: string) => {
    setLink(id)
    const next = links.find((l) => l.id === id)
    if (next) set({ edge: show(expected(next)!), power: String(next.out.powerW) })
  }
  const unit = distanceUnit(units)
  return (
    <>
      <FieldGrid leastPx={230} sx={{ mb: 2 }}>
        {links.length > 0 && (
          <PickOne
            label="Link"
            value={linkId}
            options={links.map((l) => ({ value: l.id, name: l.name }))}
            onPick={choose}
          />
        )}
        {(['edge', 'wanted', 'n', 'power'] as const).map((f) => (
          <NumberBox key={f} {...box(f)} />
        ))}
        <PickOne label="It sits" value={sits} options={SITS} onPick={setSits} />
        <NumberBox {...box('leak')} />
      </FieldGrid>
      <Box role="status">
        {typeof pick === 'string' ? (
          <Box sx={{ borderLeft: '6px solid var(--accent-fill)', pl: 1.5 }}>{pick}</Box>
        ) : (
          <Picked
            pick={pick}
            units={units}
            inputs={[
              ['Edge now', `${texts.edge} ${unit}`],
              ['Wanted', `${texts.wanted} ${unit}`],
              ['Slope n', texts.n],
            ]}
          />
        )}
      </Box>
    </>
  )
}
