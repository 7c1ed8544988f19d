'use client'

export default function ErrorPage({ reset }: { error: Error; reset: () => void }) {
  return (
    <main style={{ maxWidth: 640, margin: '64px auto', padding: 16 }}>
      <h1>This page could not be shown</h1>
      <p>
        Nothing that was saved is lost. What went wrong is said in the terminal where Even Reach was started.
      </p>
      <button type="button" onClick={reset}>
        Try again
      </button>
    </main>
  )
}
