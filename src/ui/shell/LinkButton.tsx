'use client'

import Button, { type ButtonProps } from '@mui/material/Button'
import Link from 'next/link'

/** A button that goes somewhere; for server components too, which cannot hand a component over. */
export function LinkButton({ href, ...rest }: ButtonProps & { href: string; prefetch?: false }) {
  return <Button component={Link} href={href} {...rest} />
}
