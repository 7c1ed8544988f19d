import { FieldDoor } from '@/features/field/screen/FieldDoor'
import { ServiceWorker } from '@/features/field/device/ServiceWorker'

/**
 * The field screen. It is the same page for every run, so that it opens with no network; the run is named in
 * its address.
 */
export default function FieldPage() {
  return (
    <>
      <ServiceWorker />
      <FieldDoor />
    </>
  )
}
