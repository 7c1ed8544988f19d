import { Empty, LinkButton, PageHead } from '@/ui/shell'

export function NoFindings({ trialId }: { trialId: string }) {
  return (
    <>
      <PageHead title="Findings" />
      <Empty
        title="Nothing is logged yet"
        action={
          <LinkButton href={`/trials/${trialId}/field`} variant="contained">
            Go to the field step
          </LinkButton>
        }
      >
        Findings say which rig is better, by how much and how sure that is, and how far each reaches. They
        appear as soon as checks are logged.
      </Empty>
    </>
  )
}
