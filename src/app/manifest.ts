import type { MetadataRoute } from 'next'
import { RUN_FILE_END } from '@/core/trial'

/** What a device needs to install the field screen: it opens on the runs that are on it, with no network. */
export default function manifest(): MetadataRoute.Manifest {
  const png = (name: string, size: number, purpose: 'any' | 'maskable') => ({
    src: `/icons/${name}.png`,
    sizes: `${size}x${size}`,
    type: 'image/png',
    purpose,
  })
  const files = { 'application/json': [RUN_FILE_END] }
  return {
    id: '/field',
    name: 'Even Reach, in the field',
    short_name: 'Even Reach',
    description: 'Logs radio checks out there, with no network.',
    start_url: '/field',
    scope: '/',
    display: 'standalone',
    background_color: '#f7f2e7',
    theme_color: '#14222e',
    icons: [png('any-192', 192, 'any'), png('any-512', 512, 'any'), png('maskable-512', 512, 'maskable')],
    shortcuts: [
      { name: 'Runs on this device', url: '/field' },
      { name: 'Take a run in from a file', url: '/field?file' },
    ],
    share_target: {
      action: '/field/share',
      method: 'POST',
      enctype: 'multipart/form-data',
      params: { files: [{ name: 'run', accept: ['application/json', RUN_FILE_END] }] },
    },
    file_handlers: [{ action: '/field', accept: files }],
  } as MetadataRoute.Manifest
}
