'use client'

import Menu from '@mui/material/Menu'
import MenuItem from '@mui/material/MenuItem'
import type { KeyboardEvent } from 'react'
import { isPicked, type optionsOf } from './Option'

interface Props {
  id: string
  labelId?: string
  /** What it is called where no label says it. */
  called?: string
  anchor: Element
  options: ReturnType<typeof optionsOf>
  value: unknown
  onPick: (value: string | number) => void
  onClose: () => void
}

// The space bar opens a list and is let go over its first line, which would pick it; so it picks as it goes down.
const noPickOnRelease = (e: KeyboardEvent) => e.key === ' ' && e.preventDefault()

/** The open list of a field that takes one of several. */
export function ChoiceList({ id, labelId, called, anchor, options, value, onPick, onClose }: Props) {
  const pick = (picked: string | number) => {
    onPick(picked)
    onClose()
  }
  return (
    <Menu
      open
      anchorEl={anchor}
      onClose={onClose}
      anchorOrigin={{ vertical: 'bottom', horizontal: 'center' }}
      transformOrigin={{ vertical: 'top', horizontal: 'center' }}
      slotProps={{
        list: {
          id,
          role: 'listbox',
          'aria-labelledby': labelId,
          'aria-label': called,
          disableListWrap: true,
        },
        paper: { style: { minWidth: anchor.clientWidth } },
      }}
    >
      {options.map((o) => {
        const selected = isPicked(o, value)
        return (
          <MenuItem
            key={o.key}
            role="option"
            selected={selected}
            aria-selected={selected}
            disabled={o.props.disabled ?? false}
            onClick={() => pick(o.props.value)}
            onKeyUp={noPickOnRelease}
            onKeyDown={(e) => {
              if (e.key !== ' ') return
              e.preventDefault()
              if (!e.repeat) pick(o.props.value)
            }}
          >
            {o.props.children}
          </MenuItem>
        )
      })}
    </Menu>
  )
}
