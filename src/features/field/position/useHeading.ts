'use client'

import { useEffect, useState } from 'react'

interface Compass extends DeviceOrientationEvent {
  webkitCompassHeading?: number
}

/** Which way the device points, degrees from north; null where it has no compass. */
export function useHeading(): number | null {
  const [heading, setHeading] = useState<number | null>(null)
  useEffect(() => {
    const turn = (e: Event) => {
      const o = e as Compass
      if (typeof o.webkitCompassHeading === 'number') setHeading(Math.round(o.webkitCompassHeading))
      else if (o.absolute && o.alpha !== null) setHeading(Math.round((360 - o.alpha) % 360))
    }
    window.addEventListener('deviceorientationabsolute', turn)
    window.addEventListener('deviceorientation', turn)
    return () => {
      window.removeEventListener('deviceorientationabsolute', turn)
      window.removeEventListener('deviceorientation', turn)
    }
  }, [])
  return heading
}
