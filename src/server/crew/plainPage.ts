import { readFileSync } from 'node:fs'
import { join } from 'node:path'

const escaped = (text: string) => text.replace(/[&<>"']/g, (c) => `&#${c.charCodeAt(0)};`)

interface Steps {
  system: string
  trust: string[]
  undo: string
}

/** How each system is told to trust the authority, and to forget it. */
const STEPS: readonly Steps[] = [
  {
    system: 'Android',
    trust: [
      'Take the certificate with the button above.',
      'Open Settings, search for “CA certificate”, choose to install it all the same, and pick the file from Downloads.',
      'Come back to this page.',
    ],
    undo: 'Settings, search for “User certificates”, choose Even Reach, Remove.',
  },
  {
    system: 'iPhone, iPad',
    trust: [
      'In Safari, take the certificate with the button above and allow it.',
      'Open Settings: “Profile downloaded”, Install.',
      'Settings, General, About, Certificate trust settings: switch Even Reach on. Come back to this page.',
    ],
    undo: 'Settings, General, VPN and device management, Even Reach, Remove profile.',
  },
  {
    system: 'Windows',
    trust: [
      'Take the certificate with the button above and open it.',
      'Install certificate, Current user, “Place all certificates in the following store”, Trusted root certification authorities.',
      'Close the browser altogether, open it, and come back to this page.',
    ],
    undo: 'Open “Manage user certificates”, Trusted root certification authorities, delete Even Reach.',
  },
  {
    system: 'macOS',
    trust: [
      'Take the certificate with the button above and open it: it goes into Keychain Access, login.',
      'Open it there; under Trust choose “Always trust” for secure connections.',
      'Come back to this page.',
    ],
    undo: 'Delete it in Keychain Access.',
  },
  {
    system: 'Linux, or Firefox anywhere',
    trust: [
      'Take the certificate with the button above.',
      'In the browser’s settings search for “certificates”, open Authorities, Import, and tick that it may identify websites.',
      'Come back to this page.',
    ],
    undo: 'The same list of authorities: choose Even Reach, Delete or distrust.',
  },
]

const STYLE = `
:root{color-scheme:light dark;--ink:#14222e;--soft:#4b5a64;--paper:#f7f2e7;--card:#fdfaf3;
--rule:#d8cfbb;--accent:#7d5200;--fill:#f4b92c}
@media (prefers-color-scheme:dark){:root{--ink:#f0ebdf;--soft:#b3bcc2;--paper:#10181f;--card:#18232c;
--rule:#35434e;--accent:#f4b92c}}
*{box-sizing:border-box}body{margin:0;background:var(--paper);color:var(--ink);font:17px/1.5 system-ui,sans-serif}
main{max-width:34rem;margin:0 auto;padding:1.5rem 1rem 3rem}
h1{font-size:1.7rem;line-height:1.2;margin:0 0 .5rem}p{margin:.5rem 0}
.state{display:block;background:var(--card);border:2px solid var(--rule);padding:1rem;margin:1rem 0;font-weight:700}
.state.good{border-left-width:10px;border-color:var(--fill)}
.button{display:block;text-align:center;background:var(--ink);color:var(--paper);text-decoration:none;font-weight:700;
padding:.9rem 1rem;border-radius:3px;margin:1rem 0}
details{border-top:1px solid var(--rule);padding:.75rem 0}summary{font-weight:700;cursor:pointer;min-height:1.9rem}
ol{padding-left:1.3rem;margin:.5rem 0}li{margin:.35rem 0}
code{display:block;font:.8rem/1.6 ui-monospace,monospace;overflow-wrap:anywhere;color:var(--soft)}
.soft{color:var(--soft);font-size:.92rem}`

/**
 * Whether the device trusts the authority is found out by asking the secure side for something; then it goes on there
 * with the words, which stand behind the # and were never sent.
 */
const SCRIPT = `
const secure = document.body.dataset.secure.replace('HOST', location.hostname.includes(':') ? '[' + location.hostname + ']' : location.hostname)
const state = document.querySelector('.state')
const next = document.querySelector('#next')
next.href = secure + '/pair' + location.hash
let going = false
async function look() {
  try {
    await fetch(secure + '/icon.svg', { mode: 'no-cors', cache: 'no-store' })
    state.textContent = 'This device trusts the desk. Going on…'
    state.classList.add('good')
    if (!going) { going = true; setTimeout(() => location.assign(next.href), 800) }
  } catch {
    state.textContent = 'This device does not trust the desk yet: three steps, once.'
    setTimeout(look, 2500)
  }
}
look()
document.addEventListener('visibilitychange', () => { if (!document.hidden && !going) look() })
const ua = navigator.userAgent
const system = /Android/.test(ua) ? 0 : /iPhone|iPad/.test(ua) ? 1 : /Firefox|Linux/.test(ua) ? 4 : /Windows/.test(ua) ? 2 : /Mac/.test(ua) ? 3 : -1
if (system >= 0) document.querySelectorAll('details')[system].open = true`

/** The one page that is served without TLS: it hands over the authority's certificate and says how to trust it. */
export function plainPage(fingerprint: string, securePort: number, nonce: string): string {
  const steps = STEPS.map(
    ({ system, trust, undo }) =>
      `<details><summary>${escaped(system)}</summary><ol>${trust.map((t) => `<li>${escaped(t)}</li>`).join('')}</ol>` +
      `<p class="soft">To take it out again: ${escaped(undo)}</p></details>`,
  ).join('')
  return `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>Bring this device in · Even Reach</title>
<meta name="viewport" content="width=device-width,initial-scale=1"><style>${STYLE}</style></head>
<body data-secure="https://HOST:${securePort}"><main>
<h1>Bring this device in</h1>
<p>Offline logging, position and sound work only where this device trusts the desk’s machine.</p>
<strong class="state" role="status">Looking whether this device trusts the desk…</strong>
<a class="button" href="/even-reach-authority.crt" download>Take the certificate</a>
${steps}
<h2 style="font-size:1.1rem;margin-top:1.5rem">Is it the right one?</h2>
<p>When it is installed, the system shows a fingerprint (SHA-256). The desk shows the same:</p>
<code>${fingerprint}</code>
<p class="soft">It can speak for machines of this room alone, and for no site of the world outside.</p>
<p><a id="next" href="#" style="color:var(--accent)">Go on without waiting</a></p>
</main><script nonce="${nonce}">${SCRIPT}</script></body></html>`
}

/** What the plain page may do: show itself, and ask the secure side. */
export const plainHeaders = (nonce: string): Record<string, string> => ({
  'content-security-policy':
    `default-src 'none'; style-src 'unsafe-inline'; script-src 'nonce-${nonce}'; connect-src https:; ` +
    "img-src 'self'; frame-ancestors 'none'; base-uri 'none'; form-action 'none'",
  'x-frame-options': 'DENY',
  'x-content-type-options': 'nosniff',
  'referrer-policy': 'no-referrer',
  'cache-control': 'no-store',
})

/** The authority's certificate as systems take it: its bytes, not its text. */
export const authorityFile = (pem: string): Buffer =>
  Buffer.from(pem.replace(/-----[^-]+-----|\s/g, ''), 'base64')

/** The picture that browsers ask any page for. */
export const plainIcon = (root: string): Buffer => readFileSync(join(root, 'src', 'app', 'icon.svg'))
