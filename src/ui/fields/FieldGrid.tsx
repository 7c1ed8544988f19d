import Box, { type BoxProps } from '@mui/material/Box'

/** Fields of a form side by side, as many as there is room for. @param leastPx the width that each needs */
export function FieldGrid({ leastPx = 170, sx, ...rest }: BoxProps & { leastPx?: number }) {
  return (
    <Box
      {...rest}
      sx={[
        {
          display: 'grid',
          gap: 1.5,
          gridTemplateColumns: `repeat(auto-fill, minmax(${leastPx}px, 1fr))`,
          alignItems: 'start',
        },
        ...(Array.isArray(sx) ? sx : [sx]),
      ]}
    />
  )
}
