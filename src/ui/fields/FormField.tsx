'use client'

import InputAdornment from '@mui/material/InputAdornment'
import { TextField, type TextFieldProps } from './TextField'
import { Controller, type Control, type FieldPath, type FieldValues } from 'react-hook-form'

type Props<T extends FieldValues> = Omit<TextFieldProps, 'name'> & {
  control: Control<T>
  name: FieldPath<T>
  unit?: string
}

/** A text or number field of a form, with its unit in it and its error under it. */
export function FormField<T extends FieldValues>({ control, name, unit, helperText, ...rest }: Props<T>) {
  return (
    <Controller
      control={control}
      name={name}
      render={({ field, fieldState }) => (
        <TextField
          {...rest}
          name={field.name}
          value={field.value ?? ''}
          onChange={field.onChange}
          onBlur={field.onBlur}
          inputRef={field.ref}
          error={fieldState.invalid}
          helperText={fieldState.error?.message ?? helperText}
          slotProps={{
            ...(unit && !rest.select
              ? { input: { endAdornment: <InputAdornment position="end">{unit}</InputAdornment> } }
              : {}),
            ...(unit ? { inputLabel: { shrink: true } } : {}),
            htmlInput: { inputMode: unit ? 'decimal' : undefined },
          }}
        />
      )}
    />
  )
}
