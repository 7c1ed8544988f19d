import Box from '@mui/material/Box'
import type { KeyboardEventHandler, ReactNode } from 'react'

const RULED = {
  borderCollapse: 'collapse',
  '& th, & td': {
    textAlign: 'left',
    verticalAlign: 'top',
    borderTop: '1px solid var(--rule)',
    py: 0.6,
    pr: 2.5,
  },
  '& th': { fontWeight: 400 },
  '& thead th': { color: 'var(--soft)' },
} as const

/** On a telephone a row is a block and each cell a line of its own, led by its `data-label`. */
const STACKED = {
  '@media screen and (max-width: 599px)': {
    minWidth: 0,
    '&, & tbody, & tr, & td, & tbody th': { display: 'block' },
    '& thead': {
      position: 'absolute',
      width: '1px',
      height: '1px',
      overflow: 'hidden',
      clipPath: 'inset(50%)',
    },
    '& tbody tr': { borderTop: '1px solid var(--rule)', py: 1 },
    '& td, & tbody th': { border: 0, py: 0.25, pr: 0 },
    '& td:empty': { display: 'none' },
    '& td[data-label]::before': {
      content: 'attr(data-label) ": "',
      color: 'var(--soft)',
      fontWeight: 400,
    },
  },
} as const

interface Props {
  /** What it is called for those who hear it; a wide one is scrolled under this name. */
  label: string
  /** The cells of its head. */
  head: ReactNode
  /** Its rows. */
  children: ReactNode
  /** Narrower than this it is scrolled, px. */
  minPx?: number
  /** As wide as there is room. */
  wide?: boolean
  /** On a telephone each row is a block instead of being scrolled. */
  stacks?: boolean
  /** Figures stand under one another at the right. */
  figures?: boolean
  sx?: object
  onKeyDown?: KeyboardEventHandler
}

/** A table, ruled as all of them are; scrolled by itself where there is no room. */
export function Table({ label, head, children, minPx, wide, stacks, figures, sx, onKeyDown }: Props) {
  return (
    <Box
      sx={{ overflowX: 'auto', maxWidth: '100%', '@media print': { overflow: 'visible' } }}
      tabIndex={0}
      role="region"
      aria-label={label}
    >
      <Box
        component="table"
        onKeyDown={onKeyDown}
        sx={[
          RULED,
          {
            ...(minPx ? { minWidth: minPx } : {}),
            ...(wide ? { width: '100%' } : {}),
            ...(figures ? { '& th, & td': { textAlign: 'right', whiteSpace: 'nowrap' } } : {}),
          },
          ...(stacks ? [STACKED] : []),
          ...(sx ? [sx] : []),
        ]}
      >
        <thead>
          <tr>{head}</tr>
        </thead>
        <tbody>{children}</tbody>
      </Box>
    </Box>
  )
}
