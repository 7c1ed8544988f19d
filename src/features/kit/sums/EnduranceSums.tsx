'use client'

import Box from '@mui/material/Box'
import ToggleButton from '@mui/material/ToggleButton'
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup'
import { useState } from 'react'
import { CHEMISTRIES, hoursText, temperatureFactor, type Chemistry, type Part } from '@/core/kit'
import { FieldGrid } from '@/ui/fields/FieldGrid'
import { Headline } from '@/ui/fields/Headline'
import { NumberBox } from '@/ui/fields/NumberBox'
import { PickOne } from '@/ui/fields/PickOne'
import { CORRECT_FIRST, useNumbers } from '@/ui/fields/useNumbers'
import { Quiet } from '@/ui/shell/Quiet'
import { TracedFigure } from '@/ui/trace/TracedFigure'
import {
  enduranceBy,
  ENDURANCE_FIELDS,
  ENDURANCE_START,
  fieldsOf,
  figuresOfPart,
  USES,
  type Endurance,
  type Field,
  type Use,
} from './enduranceForm'

interface LastsProps {
  found: Endurance
  fields: Field[]
  texts: Record<Field, string>
  chemistry: Chemistry
  temperatureC: number
}

/** How long it lasts, and what that rests on. */
function Lasts({ found, fields, texts, chemistry, temperatureC }: LastsProps) {
  const shared = fields.map((f) => ({ f, spec: ENDURANCE_FIELDS[f] }))
  return (
    <Box sx={{ display: 'flex', gap: 4, flexWrap: 'wrap' }}>
      <Headline title="It lasts">{hoursText(found.hours)}</Headline>
      <TracedFigure
        label="Mean current"
        value={`${Number(found.drawA.toPrecision(3))} A`}
        trace={{
          inputs: shared
            .filter(({ spec }) => spec.unit === 'A' || spec.unit === '%')
            .map(({ f, spec }) => ({ name: spec.label, value: `${texts[f]} ${spec.unit}` })),
          formula: 'Currents by their shares of the time, announcements on top',
          source: 'definition',
        }}
      />
      <TracedFigure
        label="Of the battery counts"
        value={`${Number(found.usableAh.toPrecision(3))} Ah`}
        trace={{
          inputs: [
            { name: 'Capacity', value: `${texts.capacityAh} Ah` },
            { name: 'Usable share', value: String(CHEMISTRIES[chemistry].usable) },
            {
              name: `At ${texts.temperatureC} °C`,
              value: temperatureFactor(chemistry, temperatureC).toFixed(2),
            },
          ],
          formula: 'capacity · usable share · temperature factor',
          source: `typical of ${chemistry}; the maker’s own figures go before it`,
        }}
      />
      {found.relay && (
        <Box sx={{ maxWidth: 380 }}>
          {found.relay.airtimeFactor === 1
            ? 'Traffic passes at once and takes its own airtime.'
            : `Every message takes ${found.relay.airtimeFactor} times its airtime and is heard again ${found.relay.delayS} s after it ends.`}
          {found.relay.longestMessageS !== null &&
            ` Longer than ${found.relay.longestMessageS} s it is cut off.`}
        </Box>
      )}
    </Box>
  )
}

const CHEMISTRY_NAMES = (Object.keys(CHEMISTRIES) as Chemistry[]).map((c) => ({ value: c, name: c }))

/** How long a battery lasts: a radio, or a relay box of either kind. */
export function EnduranceSums({ parts }: { parts: Part[] }) {
  const [chemistry, setChemistry] = useState<Chemistry>('lithium ion')
  const [use, setUse] = useState<Use>('a radio')
  const fields = fieldsOf(use)
  const { texts, ok, n, set, box } = useNumbers(ENDURANCE_FIELDS, ENDURANCE_START, fields)
  const fill = (id: string) => {
    const of = figuresOfPart(parts.find((p) => p.id === id))
    set(of.texts)
    if (of.chemistry) setChemistry(of.chemistry)
  }
  const found = ok ? enduranceBy(use, chemistry, n) : CORRECT_FIRST
  return (
    <>
      <Box sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap', mb: 2 }}>
        <ToggleButtonGroup
          exclusive
          size="small"
          value={use}
          onChange={(_, v: Use | null) => v && setUse(v)}
          aria-label="What it feeds"
          sx={{ flexWrap: 'wrap' }}
        >
          {USES.map((u) => (
            <ToggleButton key={u.value} value={u.value}>
              {u.name}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
        <PickOne
          label="Take figures from a part"
          value=""
          options={parts
            .filter((p) => p.kind === 'radio' || p.kind === 'battery')
            .map((p) => ({ value: p.id, name: p.name }))}
          onPick={fill}
          sx={{ minWidth: 230 }}
        />
      </Box>
      <Box role="status" sx={{ mb: 2 }}>
        {typeof found === 'string' ? (
          <Box sx={{ borderLeft: '6px solid var(--bad)', pl: 1.5 }}>{found}</Box>
        ) : (
          <Lasts {...{ found, fields, texts, chemistry }} temperatureC={n('temperatureC')} />
        )}
      </Box>
      <FieldGrid leastPx={165}>
        <PickOne label="Kind of battery" value={chemistry} options={CHEMISTRY_NAMES} onPick={setChemistry} />
        {fields.map((f) => (
          <NumberBox key={f} {...box(f)} />
        ))}
      </FieldGrid>
      <Quiet sx={{ mt: 2, maxWidth: 780 }}>
        A figure at room temperature is not one in the cold. Fuse a lithium battery at the battery, and label
        a box that stands alone with a contact.
      </Quiet>
    </>
  )
}
