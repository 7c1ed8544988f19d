import type { ReactNode } from 'react'
import { ServiceWorker } from '@/features/field/device/ServiceWorker'
import { databaseTrouble } from '@/data'
import { NoDatabase } from '@/ui/shell'
import { ThemeRoot } from '@/ui/theme/ThemeRoot'

/** All but the field screen, which stays small and does without the theme's parts. */
export default function DeskLayout({ children }: { children: ReactNode }) {
  const trouble = databaseTrouble()
  return (
    <ThemeRoot>
      <ServiceWorker quietly />
      {trouble === null ? children : <NoDatabase why={trouble} />}
    </ThemeRoot>
  )
}
