// What a person would stumble over in a layout: a page that is wider than its window, text that is cut off or runs out
// of the page, and text or controls that lie on one another. Gives sentences, none where all is well.
() => {
  const width = document.documentElement.clientWidth
  const faults = new Set()
  const SLACK = 1.5
  /** Tables are moved within their place, with their headings. */
  const SIDEWAYS = 'table, [role=table], [role=grid], .rooms, pre, textarea, input, [data-sideways]'
  /** What is laid over other things on purpose, until it is closed, and marks under what is being typed. */
  const OVER = 'dialog, [role=dialog], [data-over]'
  const SMALLEST = 8
  const CONTROLS = 'button, a[href], input, select, textarea, summary'

  const named = (el) => {
    const at = el.closest('[class]') ?? el
    const text = (el.textContent ?? '').trim().replace(/\s+/g, ' ').slice(0, 40)
    return `<${el.tagName.toLowerCase()} in .${String(at.getAttribute('class') ?? '').split(' ')[0]}> "${text}"`
  }
  const isHidden = (el) =>
    !el.checkVisibility({ opacityProperty: true, visibilityProperty: true, contentVisibilityAuto: true }) ||
    el.closest('.visually-hidden, .visually-hidden-focusable:not(:focus), option') !== null

  /** The part that can be seen, or be scrolled to within the page; what is cut off by something else is told. */
  function seen(rect, el) {
    const part = { left: rect.left, top: rect.top, right: rect.right, bottom: rect.bottom }
    let floats = false
    for (let up = el; up && up !== document.documentElement; up = up.parentElement) {
      const style = getComputedStyle(up)
      floats ||= ['fixed', 'sticky'].includes(style.position) || up.matches(OVER)
      const [x, y] = [style.overflowX, style.overflowY]
      if (x === 'visible' && y === 'visible') continue
      if (up === document.body) continue
      const box = up.getBoundingClientRect()
      // Kept for those who hear the page, shown to nobody.
      if (style.clipPath !== 'none' && y === 'hidden') return { ...part, floats, empty: true }
      const scrolls = [x, y].some((o) => o === 'auto' || o === 'scroll')
      const shortened = style.textOverflow === 'ellipsis' || style.webkitLineClamp !== 'none'
      // What is shortened says the whole of it where somebody can point at it; a row of a table can be opened.
      const told = shortened && (width > 900 || el.closest('[title], td') !== null)
      const lost = x !== 'visible' && (part.right > box.right + SLACK || part.left < box.left - SLACK)
      if (lost && !scrolls && !told) faults.add(`${named(el)} is cut off by ${named(up)}`)
      if (lost && scrolls && !up.matches(SIDEWAYS)) faults.add(`${named(el)} is seen only by moving ${named(up)} sideways`)
      const low = y !== 'visible' && !scrolls && part.bottom > box.bottom + 4
      if (low && !shortened) faults.add(`${named(el)} is cut off below by ${named(up)}`)
      if (x !== 'visible') [part.left, part.right] = [Math.max(part.left, box.left), Math.min(part.right, box.right)]
      if (y !== 'visible') [part.top, part.bottom] = [Math.max(part.top, box.top), Math.min(part.bottom, box.bottom)]
    }
    return { ...part, floats, empty: part.right - part.left < 2 || part.bottom - part.top < 2 }
  }

  if (document.documentElement.scrollWidth > width + 1)
    faults.add(`the page is ${document.documentElement.scrollWidth} px wide in a window of ${width}`)

  // On a wide window the frame stands still, and what is longer scrolls within it.
  if (document.querySelector('.app') && width > 900 && document.documentElement.scrollHeight > innerHeight + 1)
    faults.add(`the page is ${document.documentElement.scrollHeight} px high in a window of ${innerHeight}`)

  const things = []
  function take(rect, el, what) {
    if (rect.width < 2 || rect.height < 2) return
    const part = seen(rect, el)
    if (part.empty) return
    if (what === 'text' && rect.height < SMALLEST) faults.add(`${named(el)} is ${rect.height.toFixed(1)} px high`)
    if (part.right > width + SLACK || part.left < -SLACK) faults.add(`${named(el)} runs out of the page`)
    // Lines stand close: only the middle of their height belongs to the letters.
    const inset = what === 'text' ? (part.bottom - part.top) * 0.22 : 1
    if (!part.floats)
      things.push({ left: part.left + 1, right: part.right - 1, top: part.top + inset, bottom: part.bottom - inset, el, what })
  }

  const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT)
  for (let node = walker.nextNode(); node; node = walker.nextNode()) {
    const el = node.parentElement
    if (!node.textContent.trim() || !el || ['SCRIPT', 'STYLE', 'TITLE'].includes(el.tagName) || isHidden(el)) continue
    const range = document.createRange()
    range.selectNodeContents(node)
    for (const rect of range.getClientRects()) take(rect, el, 'text')
  }
  for (const el of document.querySelectorAll(CONTROLS))
    if (!isHidden(el)) for (const rect of el.getClientRects()) take(rect, el, 'control')

  things.sort((a, b) => a.top - b.top)
  for (let i = 0; i < things.length; i++)
    for (let j = i + 1; j < things.length && things[j].top < things[i].bottom; j++) {
      const [a, b] = [things[i], things[j]]
      if (a.el.contains(b.el) || b.el.contains(a.el)) continue
      const wide = Math.min(a.right, b.right) - Math.max(a.left, b.left)
      const tall = Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top)
      if (wide > 1 && tall > 1) faults.add(`${named(a.el)} and ${named(b.el)} lie on one another`)
    }
  return [...faults]
}
