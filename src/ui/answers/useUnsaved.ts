'use client'

import { useEffect } from 'react'

const LEAVE = 'What you changed here is not saved. Leave it?'

/**
 * Asks before a page with something unsaved is left: by a link, by closing it, by loading it anew. It cannot
 * ask before the browser's own way back.
 */
export function useUnsaved(unsaved: boolean): void {
  useEffect(() => {
    if (!unsaved) return
    const onUnload = (e: BeforeUnloadEvent) => e.preventDefault()
    const onClick = (e: MouseEvent) => {
      const link = e.target instanceof Element ? e.target.closest('a[href]') : null
      if (!(link instanceof HTMLAnchorElement) || link.target === '_blank' || link.hash !== '') return
      if (link.hasAttribute('download') || link.pathname === location.pathname) return
      if (window.confirm(LEAVE)) return
      e.preventDefault()
      e.stopPropagation()
    }
    window.addEventListener('beforeunload', onUnload)
    // Before the router's own listener.
    document.addEventListener('click', onClick, true)
    return () => {
      window.removeEventListener('beforeunload', onUnload)
      document.removeEventListener('click', onClick, true)
    }
  }, [unsaved])
}
