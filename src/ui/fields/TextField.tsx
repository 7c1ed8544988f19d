'use client'

import FormControl, { type FormControlProps } from '@mui/material/FormControl'
import FormHelperText from '@mui/material/FormHelperText'
import InputLabel, { type InputLabelProps } from '@mui/material/InputLabel'
import OutlinedInput, { type OutlinedInputProps } from '@mui/material/OutlinedInput'
import { useThemeProps } from '@mui/material/styles'
import { type ReactNode, type Ref, useId, useRef } from 'react'
import { Choice, type ChoiceHandle, type ChoiceProps } from './Choice'

type Passed =
  | 'autoComplete'
  | 'autoFocus'
  | 'defaultValue'
  | 'maxRows'
  | 'minRows'
  | 'multiline'
  | 'name'
  | 'onBlur'
  | 'onChange'
  | 'onFocus'
  | 'placeholder'
  | 'rows'
  | 'type'
  | 'value'

export interface TextFieldProps
  extends
    Pick<OutlinedInputProps, Passed>,
    Omit<FormControlProps, Passed | 'children' | 'color' | 'component' | 'margin' | 'slotProps' | 'variant'> {
  label?: ReactNode
  /** What it is called where its label is not to be seen, or says too little by itself. */
  'aria-label'?: string
  /** Shown under the field: what belongs in it, or what is wrong with what is in it. */
  helperText?: ReactNode
  inputRef?: Ref<unknown>
  /** One of several instead of what is typed; the children are its `Option`s. */
  select?: boolean
  children?: ReactNode
  slotProps?: {
    input?: Partial<OutlinedInputProps>
    inputLabel?: Partial<InputLabelProps>
    htmlInput?: OutlinedInputProps['inputProps']
    select?: Pick<ChoiceProps, 'displayEmpty'>
  }
}

/** A field for what is typed, or for one of several, with its name, and what is said of it beneath. */
export function TextField(inProps: TextFieldProps) {
  const {
    autoComplete,
    autoFocus,
    defaultValue,
    maxRows,
    minRows,
    multiline,
    name,
    onBlur,
    onChange,
    onFocus,
    placeholder,
    rows,
    type,
    value,
    label,
    'aria-label': called,
    helperText,
    inputRef,
    select,
    children,
    slotProps = {},
    id: idGiven,
    ...rest
  } = useThemeProps({ props: inProps, name: 'MuiTextField' })
  const idMade = useId()
  const id = idGiven ?? idMade
  const choice = useRef<ChoiceHandle>(null)
  const helpId = helperText ? `${id}-help` : undefined
  const labelId = label ? `${id}-label` : undefined
  const shrink = slotProps.inputLabel?.shrink
  return (
    <FormControl {...rest} variant="outlined">
      {label && (
        <InputLabel
          id={labelId}
          {...(select ? { component: 'div', onClick: () => choice.current?.focus() } : { htmlFor: id })}
          {...slotProps.inputLabel}
        >
          {label}
        </InputLabel>
      )}
      <OutlinedInput
        {...{ autoComplete, autoFocus, defaultValue, maxRows, minRows, multiline, name }}
        {...{ onBlur, onChange, onFocus, placeholder, rows, type, value, label, id }}
        {...(shrink === undefined ? {} : { notched: shrink })}
        aria-describedby={helpId}
        // Once for all fields, in the style sheet.
        disableInjectingGlobalStyles
        {...slotProps.input}
        {...(select
          ? {
              inputComponent: Choice as never,
              inputRef: choice,
              inputProps: {
                ...slotProps.select,
                'aria-label': called,
                labelId: called ? undefined : labelId,
                children,
              } as never,
            }
          : { inputRef, inputProps: { 'aria-label': called, ...slotProps.htmlInput } })}
      />
      {helperText && <FormHelperText id={helpId}>{helperText}</FormHelperText>}
    </FormControl>
  )
}
