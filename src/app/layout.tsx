import '@fontsource/atkinson-hyperlegible/400.css'
import '@fontsource/atkinson-hyperlegible/400-italic.css'
import '@fontsource/atkinson-hyperlegible/700.css'
import './globals.css'
import type { Metadata, Viewport } from 'next'
import { headers } from 'next/headers'
import type { ReactNode } from 'react'
import { EARLY_SCRIPT } from '@/ui/early/earlyScript'
import { PageReady } from '@/ui/early/PageReady'
import { preloadFaces } from '@/ui/theme/faces'

export const metadata: Metadata = {
  title: 'Even Reach',
  description: 'Which set-up reaches how far, here, and how sure that is.',
  icons: { icon: '/icon.svg', apple: '/icons/touch-180.png' },
  appleWebApp: { capable: true, title: 'Even Reach' },
}

// What a page's own scripts are let run by is made for each answer.
export const dynamic = 'force-dynamic'

export const viewport: Viewport = { width: 'device-width', initialScale: 1 }

export default async function RootLayout({ children }: { children: ReactNode }) {
  const policy = (await headers()).get('content-security-policy')
  const nonce = policy?.match(/'nonce-([^']+)'/)?.[1]
  preloadFaces()
  return (
    <html lang="en">
      <body>
        <script nonce={nonce} suppressHydrationWarning dangerouslySetInnerHTML={{ __html: EARLY_SCRIPT }} />
        {children}
        <PageReady />
      </body>
    </html>
  )
}
