/** How tables of findings are ruled. */
export const TABLE = {
  borderCollapse: 'collapse',
  width: '100%',
  minWidth: 680,
  '& th': { textAlign: 'left', fontWeight: 400, color: 'var(--soft)' },
  '& td, & th': { borderTop: '1px solid var(--rule)', py: 0.75, pr: 2, verticalAlign: 'top' },
} as const
