import type { ReactNode } from 'react'
import { ServiceWorker } from '@/features/field/device/ServiceWorker'
import { ThemeRoot } from '@/ui/theme/ThemeRoot'

/** All but the field screen, which stays small and does without the theme's parts. */
export default function DeskLayout({ children }: { children: ReactNode }) {
  return (
    <ThemeRoot>
      <ServiceWorker />
      {children}
    </ThemeRoot>
  )
}
