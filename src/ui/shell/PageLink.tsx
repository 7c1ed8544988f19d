'use client'

import NextLink from 'next/link'
import { useState, type ComponentProps } from 'react'

/**
 * A link within the application. Its page is fetched ahead once a pointer or the focus is on it: all that are in sight
 * would be thirty requests a page, each of them work for the server.
 */
export function PageLink({
  onPointerEnter,
  onFocus,
  ...rest
}: Omit<ComponentProps<typeof NextLink>, 'prefetch'>) {
  const [near, setNear] = useState(false)
  return (
    <NextLink
      {...rest}
      prefetch={near ? null : false}
      onPointerEnter={(e) => {
        setNear(true)
        onPointerEnter?.(e)
      }}
      onFocus={(e) => {
        setNear(true)
        onFocus?.(e)
      }}
    />
  )
}
