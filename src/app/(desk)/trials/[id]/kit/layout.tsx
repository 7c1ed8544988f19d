import type { ReactNode } from 'react'
import { KitNav } from '@/features/kit/KitNav'

export default async function KitLayout({
  children,
  params,
}: {
  children: ReactNode
  params: Promise<{ id: string }>
}) {
  return (
    <>
      <KitNav trialId={(await params).id} />
      {children}
    </>
  )
}
