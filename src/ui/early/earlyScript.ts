/** The name that the page's own script and the part that ends it agree on. */
export const READY_EVENT = 'page-ready'

/**
 * A script of its own for the head of a page, in the browser's language. Until the page can answer, a click on what
 * only it can do is kept, and no form is sent past it; once it can, each click is done and what was typed is told.
 * Styles that came with the page are marked as those that stay where they are (see ui/theme/styleCache).
 */
export const EARLY_SCRIPT = `(() => {
  for (const style of document.querySelectorAll('style[data-emotion]')) style.dataset.s = ''
  const kept = []
  const typed = new Map()
  const can = 'button,label,input[type=checkbox],input[type=radio],[role=option],[role=combobox]'
  const halt = (e) => { e.preventDefault(); e.stopImmediatePropagation() }
  const onClick = (e) => {
    const it = e.target instanceof Element ? e.target.closest(can) : null
    if (it === null) return
    halt(e)
    kept.push(() => it.click())
  }
  const onSubmit = (e) => { halt(e); kept.push(() => e.target.requestSubmit()) }
  const onInput = ({ target: it }) => {
    if (it.type !== 'checkbox' && it.type !== 'radio') typed.set(it, it.value)
  }
  const told = (it, value) => {
    if (it.type === 'file' || it instanceof HTMLSelectElement)
      return it.dispatchEvent(new Event('change', { bubbles: true }))
    const kind = it instanceof HTMLTextAreaElement ? HTMLTextAreaElement : HTMLInputElement
    const put = Object.getOwnPropertyDescriptor(kind.prototype, 'value').set
    for (const v of ['', value]) { put.call(it, v); it.dispatchEvent(new Event('input', { bubbles: true })) }
  }
  addEventListener('click', onClick, true)
  addEventListener('submit', onSubmit, true)
  addEventListener('input', onInput, true)
  addEventListener('${READY_EVENT}', () => {
    removeEventListener('click', onClick, true)
    removeEventListener('submit', onSubmit, true)
    removeEventListener('input', onInput, true)
    for (const [it, value] of typed) if (it.isConnected) told(it, value)
    // Each sees what the one before it came to.
    const next = () => { const go = kept.shift(); if (go) { go(); setTimeout(next) } }
    setTimeout(next)
  }, { once: true })
})()`
