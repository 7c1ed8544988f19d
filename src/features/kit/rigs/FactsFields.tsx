'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { Option } from '@/ui/fields/Option'
import { TextField, type TextFieldProps } from '@/ui/fields/TextField'
import InputAdornment from '@mui/material/InputAdornment'
import { RIG_KINDS, wattText, type PartOf, type RigKind } from '@/core/kit'
import { lengthUnit, likelyFrequencies, type Units } from '@/core/units'
import { numberIn } from '@/ui/fields/NumberBox'
import type { RigFacts } from './useRigDraft'

interface Props {
  facts: RigFacts
  radio: PartOf<'radio'> | null
  units: Units
  errors: Record<string, string>
  onChange: (change: Partial<RigFacts>) => void
}

type FieldProps = Omit<TextFieldProps, 'name' | 'onChange'> & {
  name: keyof RigFacts
  unit?: string
  facts: RigFacts
  errors: Record<string, string>
  onChange: (change: Partial<RigFacts>) => void
}

export function FactField({ name, unit, facts, errors, onChange, helperText, ...rest }: FieldProps) {
  return (
    <TextField
      {...rest}
      value={facts[name]}
      onChange={(e) => onChange({ [name]: e.target.value })}
      error={Boolean(errors[name])}
      helperText={errors[name] ?? helperText}
      slotProps={{
        ...(unit ? { input: { endAdornment: <InputAdornment position="end">{unit}</InputAdornment> } } : {}),
        ...(unit ? { inputLabel: { shrink: true } } : {}),
        htmlInput: { inputMode: unit ? 'decimal' : undefined },
      }}
    />
  )
}

/** A number that may have been typed in kHz or GHz: the likely meaning, to take at a tap. */
function LikelyFrequency({
  name,
  facts,
  radio,
  onChange,
}: { name: 'txMHz' | 'rxMHz' } & Pick<Props, 'facts' | 'radio' | 'onChange'>) {
  const value = numberIn(facts[name])
  const meanings = value === null ? [] : likelyFrequencies(value, radio?.spec.bands ?? [])
  return meanings.map((m) => (
    <Button
      key={m.typedIn}
      size="small"
      variant="outlined"
      onClick={() => onChange({ [name]: String(m.frequencyMHz) })}
    >
      Typed in {m.typedIn}? Take {m.frequencyMHz} MHz
    </Button>
  ))
}

/** Letter, name, channel, power and height of a rig. */
export function FactsFields({ facts, radio, units, errors, onChange }: Props) {
  const f = { facts, errors, onChange }
  const powers = radio?.spec.powers ?? []
  const measured = powers.filter((p) => p.powerW !== null)
  const listed = measured.some((p) => p.powerW === numberIn(facts.powerW))
  return (
    <Box sx={{ mb: 2 }}>
      <Box
        sx={{
          display: 'grid',
          gap: 1.5,
          gridTemplateColumns: { xs: '1fr 1fr', md: '76px minmax(160px, 1.6fr) 120px 1fr 1fr 1.1fr 1fr' },
          alignItems: 'start',
        }}
      >
        <FactField {...f} name="letter" label="Letter" />
        <FactField {...f} name="name" label="Name" />
        <TextField
          select
          label="Kind"
          value={facts.kind}
          onChange={(e) => onChange({ kind: e.target.value as RigKind })}
        >
          {RIG_KINDS.filter((k) => k !== 'other station').map((k) => (
            <Option key={k} value={k}>
              {k}
            </Option>
          ))}
        </TextField>
        <FactField {...f} name="txMHz" label="Transmits on" unit="MHz" />
        <FactField {...f} name="rxMHz" label="Receives on" unit="MHz" placeholder="the same" />
        {measured.length > 0 ? (
          <TextField
            select
            label="Power"
            value={facts.powerW}
            onChange={(e) => onChange({ powerW: e.target.value })}
            error={Boolean(errors.powerW)}
            helperText={errors.powerW}
          >
            {!listed && facts.powerW !== '' && (
              <Option value={facts.powerW}>{facts.powerW} W, not a setting of it</Option>
            )}
            {powers.map((p) =>
              p.powerW === null ? (
                <Option key={p.name} value={`? ${p.name}`} disabled>
                  {p.name}: nobody has measured it
                </Option>
              ) : (
                <Option key={p.name} value={String(p.powerW)}>
                  {p.name}, {wattText(p.powerW)}
                </Option>
              ),
            )}
          </TextField>
        ) : (
          <FactField {...f} name="powerW" label="Power" unit="W" />
        )}
        <FactField {...f} name="antennaHeight" label="Antenna height" unit={lengthUnit(units)} />
      </Box>
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', mt: 1 }}>
        <LikelyFrequency name="txMHz" facts={facts} radio={radio} onChange={onChange} />
        <LikelyFrequency name="rxMHz" facts={facts} radio={radio} onChange={onChange} />
      </Box>
    </Box>
  )
}
