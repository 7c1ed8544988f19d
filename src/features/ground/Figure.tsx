import { useState } from 'react'
import { NumberBox, numberIn, numberProblem } from '@/ui/fields/NumberBox'

/** A figure that few change. */
export function Figure({
  label,
  unit,
  value,
  range,
  width = 190,
  onChange,
}: {
  label: string
  unit: string
  value: number
  range: { min: number; max: number }
  width?: number
  onChange: (v: number) => void
}) {
  const [text, setText] = useState(String(Number(value.toFixed(3))))
  return (
    <NumberBox
      label={label}
      unit={unit}
      value={text}
      problem={numberProblem(text, range, unit)}
      onChange={(t) => {
        setText(t)
        const n = numberIn(t)
        if (n !== null && n >= range.min && n <= range.max) onChange(n)
      }}
      sx={{ width }}
    />
  )
}
