import type { Link } from '@/core/kit/rig/rig'

/** A link by its rigs, so that a draft of a plan finds it too. */
export const linkKey = (link: Pick<Link, 'base' | 'out'>) => `${link.base.id} ${link.out.id}`
