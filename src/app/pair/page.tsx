import { PairPage } from '@/features/crew/pair/PairPage'

/** Where a device comes in. It is served to devices that are not known yet. */
export default function Pair() {
  return <PairPage />
}
