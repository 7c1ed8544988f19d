import type { ReactNode } from 'react'
import { BenchNav } from '@/features/bench/BenchNav'

export default async function TrialBenchLayout({
  children,
  params,
}: {
  children: ReactNode
  params: Promise<{ id: string }>
}) {
  return (
    <>
      <BenchNav root={`/trials/${(await params).id}/bench`} />
      {children}
    </>
  )
}
