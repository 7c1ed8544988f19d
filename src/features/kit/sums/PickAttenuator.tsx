'use client'

import Box from '@mui/material/Box'
import MenuItem from '@mui/material/MenuItem'
import TextField from '@mui/material/TextField'
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
import { NumberBox, numberIn, numberProblem } from '@/ui/fields/NumberBox'
import { useUnitsChange } from '@/ui/fields/useUnitsChange'
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

type Sits = 'both ways' | 'transmit' | 'receive'

/** How much attenuation, or less power, brings the edge of a link inside the ground that is there. */
export function PickAttenuator({ links, powersOf, farthestM, parts, slope, units }: Props) {
  const show = (m: number) => String(Number(toAxis(m, units).toPrecision(3)))
  const expected = (link: Link | undefined) => (link ? edgeOverSmoothGround(link, 'to base') : null)
  const [linkId, setLink] = useState(links[0]?.id ?? '')
  const link = links.find((l) => l.id === linkId)
  const [edge, setEdge] = useState(show(expected(links[0]) ?? 8000))
  const [wanted, setWanted] = useState(show((farthestM ?? 4000) * 0.75))
  const [n, setN] = useState(String(Number((slope?.slope ?? 4).toFixed(2))))
  const [leak, setLeak] = useState(String(USUAL_LEAKAGE_DB))
  const [sits, setSits] = useState<Sits>('both ways')
  const [powerText, setPower] = useState(String(links[0]?.out.powerW ?? 2))
  useUnitsChange(units, (from, to) => {
    const turned = (text: string) => {
      const n = numberIn(text)
      return n === null ? text : String(Number(toAxis(fromAxis(n, from), to).toPrecision(3)))
    }
    setEdge(turned)
    setWanted(turned)
  })
  const problems = {
    edge: numberProblem(edge, { above: 0 }, distanceUnit(units)),
    wanted: numberProblem(wanted, { above: 0 }, distanceUnit(units)),
    n: numberProblem(n, { above: 0, max: 10 }),
    leak: numberProblem(leak, { above: 0 }, 'dB'),
    power: numberProblem(powerText, { above: 0 }, 'W'),
  }
  const owned = parts.filter((p) => p.kind === 'attenuator')
  let pick: AttenuatorPick | string = 'Mend the fields marked, and the answer comes back.'
  if (Object.values(problems).every((p) => p === null))
    try {
      pick = pickAttenuator({
        edgeM: fromAxis(numberIn(edge)!, units),
        wantedM: fromAxis(numberIn(wanted)!, units),
        slope: numberIn(n)!,
        powerW: numberIn(powerText)!,
        owned,
        powers: link ? (powersOf[link.out.id] ?? []) : [],
        leakageDb: numberIn(leak)!,
        sits,
      })
    } catch (e) {
      if (!(e instanceof RangeError)) throw e
      pick = 'The edge is inside already: no attenuation is needed.'
    }
  const choose = (id: string) => {
    setLink(id)
    const next = links.find((l) => l.id === id)
    if (!next) return
    setEdge(show(expected(next)!))
    setPower(String(next.out.powerW))
  }
  return (
    <>
      <Box
        sx={{
          display: 'grid',
          gap: 1.5,
          gridTemplateColumns: 'repeat(auto-fill, minmax(230px, 1fr))',
          mb: 2,
          alignItems: 'start',
        }}
      >
        {links.length > 0 && (
          <TextField select label="Link" value={linkId} onChange={(e) => choose(e.target.value)}>
            {links.map((l) => (
              <MenuItem key={l.id} value={l.id}>
                {l.name}
              </MenuItem>
            ))}
          </TextField>
        )}
        <NumberBox
          label="Its edge now"
          unit={distanceUnit(units)}
          value={edge}
          problem={problems.edge}
          onChange={setEdge}
          helperText="Expected over smooth ground, or as you know it"
        />
        <NumberBox
          label="Bring it to"
          unit={distanceUnit(units)}
          value={wanted}
          problem={problems.wanted}
          onChange={setWanted}
          helperText={
            farthestM
              ? `The last mark is at ${distanceText(farthestM, units)}`
              : 'Inside the ground that is there'
          }
        />
        <NumberBox
          label="Slope n"
          value={n}
          problem={problems.n}
          onChange={setN}
          helperText={
            slope
              ? `Measured here: ${slope.slope.toFixed(1)} (${slope.low.toFixed(1)} to ${slope.high.toFixed(1)})`
              : '2 in free space, about 4 near the ground'
          }
        />
        <NumberBox
          label="Power there"
          unit="W"
          value={powerText}
          problem={problems.power}
          onChange={setPower}
        />
        <TextField select label="It sits" value={sits} onChange={(e) => setSits(e.target.value as Sits)}>
          <MenuItem value="both ways">between radio and antenna</MenuItem>
          <MenuItem value="transmit">in the transmit side only</MenuItem>
          <MenuItem value="receive">in the receive side only</MenuItem>
        </TextField>
        <NumberBox
          label="Leaks round it below"
          unit="dB"
          value={leak}
          problem={problems.leak}
          onChange={setLeak}
          helperText="Case and lead of a handheld: about 40"
        />
      </Box>
      <Box role="status">
        {typeof pick === 'string' ? (
          <Box sx={{ borderLeft: '6px solid var(--accent-fill)', pl: 1.5 }}>{pick}</Box>
        ) : (
          <>
            <Box sx={{ display: 'flex', gap: 4, flexWrap: 'wrap', mb: 1.5 }}>
              <TracedFigure
                size="large"
                label="Attenuation wanted"
                value={dbText(pick.wantedDb)}
                trace={{
                  inputs: [
                    { name: 'Edge now', value: `${edge} ${distanceUnit(units)}` },
                    { name: 'Wanted', value: `${wanted} ${distanceUnit(units)}` },
                    { name: 'Slope n', value: n },
                  ],
                  formula: '10 n lg(edge now / wanted)',
                  source: 'distance law; not across the plane-earth break',
                }}
              />
              <Box>
                <Box sx={{ color: 'var(--soft)', fontSize: '0.88rem' }}>With what you own</Box>
                <b style={{ fontSize: '1.25rem' }}>
                  {pick.parts.length === 0 ? 'nothing fits' : pick.parts.map((p) => p.name).join(' + ')}
                </b>
                {pick.parts.length > 0 && (
                  <Box>
                    {dbText(pick.effectiveDb)} in effect: the edge comes to about{' '}
                    {distanceText(pick.edgeM, units)}
                  </Box>
                )}
              </Box>
              {pick.settings.length > 0 && (
                <Box>
                  <Box sx={{ color: 'var(--soft)', fontSize: '0.88rem' }}>Or less power</Box>
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
        )}
      </Box>
    </>
  )
}
