/**
 * How tables of findings are ruled. On a telephone a row is a block and each cell a line of its own, led by
 * its `data-label`, so that no figure has to be scrolled for.
 */
export const TABLE = {
  borderCollapse: 'collapse',
  width: '100%',
  minWidth: 680,
  '& th': { textAlign: 'left', fontWeight: 400, color: 'var(--soft)' },
  '& td, & th': { borderTop: '1px solid var(--rule)', py: 0.75, pr: 2, verticalAlign: 'top' },
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
