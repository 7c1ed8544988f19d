import { redirect } from 'next/navigation'

export default async function TrialPage({ params }: { params: Promise<{ id: string }> }) {
  redirect(`/trials/${(await params).id}/plan`)
}
