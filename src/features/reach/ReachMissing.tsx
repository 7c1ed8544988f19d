import { Empty, LinkButton, PageHead } from '@/ui/shell'

/** What is missing before there is a map. */
export function ReachMissing({ trialId, what }: { trialId: string; what: 'base' | 'ground' | 'links' }) {
  const [title, words, slug, name] = {
    base: ['The base has no place yet', 'Reach is drawn round it.', 'ground', 'Place the base'],
    ground: [
      'The ground is not known yet',
      'Bring elevation in, or choose flat ground: without it nobody can tell where hills take the signal away.',
      'ground',
      'Bring ground in',
    ],
    links: [
      'Nothing to predict yet',
      'Choose the rigs that are compared; below 30 MHz there is no reach as an area to draw.',
      'plan',
      'Choose what is compared',
    ],
  }[what] as [string, string, string, string]
  return (
    <>
      <PageHead title="Reach" lead="Where it holds, not only how far on this road." />
      <Empty
        title={title}
        action={
          <LinkButton href={`/trials/${trialId}/${slug}`} variant="contained">
            {name}
          </LinkButton>
        }
      >
        {words}
      </Empty>
    </>
  )
}
