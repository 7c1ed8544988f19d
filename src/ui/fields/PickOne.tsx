'use client'

import { Option } from './Option'
import { TextField, type TextFieldProps } from './TextField'

type Props<T extends string> = Omit<TextFieldProps, 'select' | 'value' | 'onChange' | 'children'> & {
  value: T
  options: readonly { value: T; name: string }[]
  onPick: (value: T) => void
}

/** One of a few, from a list that drops down. */
export function PickOne<T extends string>({ value, options, onPick, ...rest }: Props<T>) {
  return (
    <TextField {...rest} select value={value} onChange={(e) => onPick(e.target.value as T)}>
      {options.map((o) => (
        <Option key={o.value} value={o.value}>
          {o.name}
        </Option>
      ))}
    </TextField>
  )
}
