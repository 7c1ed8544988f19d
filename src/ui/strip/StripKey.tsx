import Box from '@mui/material/Box'

const items: [string, React.ReactNode][] = [
  ['to base', <path key="p" d="M9 13V3" stroke="var(--ink)" strokeWidth="3" />],
  ['from base', <path key="p" d="M9 5V15" stroke="var(--ink)" strokeWidth="3" />],
  [
    'cap: readability',
    <g key="p">
      {[0, 1, 2, 3, 4].map((i) => (
        <rect
          key={i}
          x={2 + i * 3}
          y="6"
          width="2.4"
          height="7"
          fill={i < 3 ? 'var(--ink)' : 'none'}
          stroke="var(--ink)"
          strokeWidth="0.7"
        />
      ))}
    </g>,
  ],
  ['not heard', <circle key="p" cx="9" cy="9" r="5" fill="none" stroke="var(--ink)" strokeWidth="2" />],
  [
    'to make',
    <circle
      key="p"
      cx="9"
      cy="9"
      r="5"
      fill="none"
      stroke="var(--soft)"
      strokeWidth="1.6"
      strokeDasharray="2 2.2"
    />,
  ],
  ['expected', <path key="p" d="M0 2L18 9L0 16Z" fill="var(--ink)" opacity="0.2" />],
  ['reach', <path key="p" d="M1 9H17M8 3h4v12h-4" fill="none" stroke="var(--accent)" strokeWidth="2.5" />],
]

/** What the strip's shapes mean. */
export function StripKey() {
  return (
    <Box
      component="ul"
      aria-label="Key"
      sx={{
        display: 'flex',
        flexWrap: 'wrap',
        gap: '2px 16px',
        m: 0,
        p: 0,
        listStyle: 'none',
        fontSize: '0.85rem',
        color: 'var(--soft)',
      }}
    >
      {items.map(([name, drawing]) => (
        <li key={name} style={{ display: 'flex', gap: 5, alignItems: 'center' }}>
          <svg width="18" height="18" aria-hidden="true">
            {drawing}
          </svg>
          {name}
        </li>
      ))}
    </Box>
  )
}
