import { db, freeLetter, listRigs } from '@/data'
import { KitStep } from '@/features/kit/KitStep'
import { readUnits } from '@/ui/shell/readUnits'

export default async function KitPage({ params }: { params: Promise<{ id: string }> }) {
  return (
    <KitStep
      trialId={(await params).id}
      rigs={listRigs(db())}
      freeLetter={freeLetter(db())}
      units={await readUnits()}
    />
  )
}
