import { Refused } from '@/ui/shell'

/** Says where the base stands in the sea, or outside of the ground that is known. */
export function BaseOnGround({ name, heightM }: { name: string; heightM: number | null }) {
  if (heightM === null || heightM > 0) return null
  const unknown = Number.isNaN(heightM)
  return (
    <Refused
      title={unknown ? 'The base stands outside the ground that is known' : 'The base stands in the sea'}
      problems={[
        {
          where: name,
          message: unknown
            ? 'Nothing is predicted from there. Bring in the tile that holds it, or place the base elsewhere.'
            : 'By this ground its height is 0 m. Check its coordinates; what is predicted counts from the water.',
        },
      ]}
    />
  )
}
