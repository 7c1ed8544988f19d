import Box, { type BoxProps } from '@mui/material/Box'

/** Text that explains and does not lead: softer, and smaller where it is `small`. */
export function Quiet({ small = false, sx, ...rest }: BoxProps & { small?: boolean }) {
  return (
    <Box
      {...rest}
      sx={[
        { color: 'var(--soft)', ...(small ? { fontSize: '0.88rem' } : {}) },
        ...(Array.isArray(sx) ? sx : [sx]),
      ]}
    />
  )
}
