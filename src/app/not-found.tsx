import { PageLink } from '@/ui/shell/PageLink'

export default function NotFound() {
  return (
    <main style={{ maxWidth: 640, margin: '64px auto', padding: 16 }}>
      <h1>There is nothing here</h1>
      <p>The trial or run that this address names is not in this database.</p>
      <PageLink href="/">All trials</PageLink>
    </main>
  )
}
