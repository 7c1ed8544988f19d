'use client'

import Box from '@mui/material/Box'
import { Option } from './Option'
import { TextField } from './TextField'
import { describeCopyRule, thresholdOf, type CopyRule, type Scale } from '@/core/reports'
import { NumberBox, numberIn, numberProblem } from './NumberBox'
import { useState } from 'react'

interface Scales {
  base?: Scale | undefined
  out?: Scale | undefined
}

interface Props {
  value: CopyRule
  /** Of those who listen. */
  scales: Scales
  onChange: (rule: CopyRule) => void
}

interface FieldProps {
  scale: Scale
  value: CopyRule
  onChange: (change: Partial<CopyRule>) => void
}

const NARROW = { minWidth: 150 }

/** A figure that may be left open. */
function Figure({
  label,
  unit,
  value,
  bounds,
  onChange,
}: {
  label: string
  unit: string
  value: number | null
  bounds: { min: number; max: number }
  onChange: (v: number | null) => void
}) {
  const [text, setText] = useState(value === null ? '' : String(value))
  const problem = text.trim() === '' ? null : numberProblem(text, bounds, unit)
  return (
    <NumberBox
      label={label}
      unit={unit}
      value={text}
      problem={problem}
      helperText="Empty: heard is enough"
      onChange={(t) => {
        setText(t)
        if (t.trim() === '') onChange(null)
        else if (numberProblem(t, bounds, unit) === null) onChange(numberIn(t))
      }}
      sx={{ width: 210 }}
    />
  )
}

/** The least that a scale of this kind is asked. */
function ThresholdField({ scale, value, onChange }: FieldProps) {
  switch (thresholdOf(scale)) {
    case 'minReadability':
      return (
        <TextField
          select
          label="Readability"
          value={value.minReadability ?? 0}
          onChange={(e) => onChange({ minReadability: Number(e.target.value) || null })}
          sx={NARROW}
        >
          <Option value={0}>any, if heard</Option>
          {[1, 2, 3, 4, 5].map((r) => (
            <Option key={r} value={r}>
              {r === 5 ? '5' : `${r} or better`}
            </Option>
          ))}
        </TextField>
      )
    case 'minWord':
      return (
        <TextField
          select
          label="From which word on"
          value={value.minWord ?? 1}
          onChange={(e) => onChange({ minWord: Number(e.target.value) > 1 ? Number(e.target.value) : null })}
          sx={{ minWidth: 210 }}
        >
          {('words' in scale ? scale.words : [])
            .filter((w) => w.step > 0)
            .map((w) => (
              <Option key={w.step} value={w.step}>
                {w.words[0]}
                {w.step === 1 ? ', or anything heard' : ' or better'}
              </Option>
            ))}
        </TextField>
      )
    case 'minShare': {
      const total = scale.kind === 'count' ? scale.total : null
      const shares =
        total && total <= 20 ? Array.from({ length: total }, (_, i) => (i + 1) / total) : [0.4, 0.6, 0.8, 1]
      const near = shares.find((s) => Math.abs(s - (value.minShare ?? 0)) < 1e-6)
      return (
        <TextField
          select
          label="Copied at least"
          value={near ?? value.minShare ?? 0}
          onChange={(e) => onChange({ minShare: Number(e.target.value) || null })}
          sx={NARROW}
        >
          <Option value={0}>anything</Option>
          {value.minShare !== null && near === undefined && (
            <Option value={value.minShare}>{Math.round(value.minShare * 100)} %</Option>
          )}
          {shares.map((s, i) => (
            <Option key={s} value={s}>
              {total && total <= 20 ? `${i + 1} of ${total}` : `${Math.round(s * 100)} %`}
            </Option>
          ))}
        </TextField>
      )
    }
    case 'minLevel':
      return (
        <Figure
          label="Level at least"
          unit={scale.kind === 'level' ? scale.unit : 'dB'}
          value={value.minLevel}
          bounds={{ min: -200, max: 100 }}
          onChange={(minLevel) => onChange({ minLevel })}
        />
      )
    case 'minFigure': {
      const top = scale.kind === 'bare' ? scale.top : scale.kind === 'strength' ? scale.strength.top : 9
      return (
        <Figure
          label={scale.kind === 'bare' ? 'Reading at least' : 'Strength at least'}
          unit={scale.kind === 'bare' ? scale.unit : `of ${top}`}
          value={value.minFigure}
          bounds={{ min: 0, max: top }}
          onChange={(minFigure) => onChange({ minFigure })}
        />
      )
    }
    case null:
      return null
  }
}

/** What counts as heard: what each scale can tell is asked of it, and nothing else. */
export function CopyRuleField({ value, scales, onChange }: Props) {
  const both = [scales.base, scales.out].filter((s) => s !== undefined)
  // Two listeners with one kind of scale share its threshold.
  const asked = [...new Map(both.map((s) => [thresholdOf(s), s])).values()].filter(
    (s) => thresholdOf(s) !== null,
  )
  return (
    <Box>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5 }}>
        {asked.map((s) => (
          <ThresholdField
            key={thresholdOf(s)}
            scale={s}
            value={value}
            onChange={(change) => onChange({ ...value, ...change })}
          />
        ))}
        <TextField
          select
          label="Calls it may take"
          value={value.maxCalls}
          onChange={(e) => onChange({ ...value, maxCalls: Number(e.target.value) })}
          sx={NARROW}
        >
          {[1, 2, 3, 4, 5].map((n) => (
            <Option key={n} value={n}>
              {n === 1 ? 'the first only' : `no more than ${n}`}
            </Option>
          ))}
        </TextField>
      </Box>
      <Box sx={{ color: 'var(--soft)', mt: 0.75 }}>Copied means: {describeCopyRule(value, scales)}.</Box>
    </Box>
  )
}
