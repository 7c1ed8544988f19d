'use client'

import Button, { type ButtonProps } from '@mui/material/Button'
import { PageLink } from './PageLink'

/** A button that goes somewhere; for server components too, which cannot hand a component over. */
export function LinkButton({ href, ...rest }: ButtonProps & { href: string }) {
  return <Button component={PageLink} href={href} {...rest} />
}
