'use client'

import { useEffect, useState } from 'react'

/** Whether the system is set dark, followed as it changes. */
export function useNight(): boolean {
  const [night, setNight] = useState(false)
  useEffect(() => {
    const media = window.matchMedia('(prefers-color-scheme: dark)')
    const follow = () => setNight(media.matches)
    follow()
    media.addEventListener('change', follow)
    return () => media.removeEventListener('change', follow)
  }, [])
  return night
}
