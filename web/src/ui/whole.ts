/**
 * What is shortened with an ellipsis says the whole of it in its title, once it is pointed at; what is not shortened,
 * or has a title of its own, stays as it is.
 */
export function tellWhole(event: Event): void {
  const at = event.target
  if (!(at instanceof HTMLElement) || at.closest('[title]')) return
  const shortened = getComputedStyle(at).textOverflow === 'ellipsis' && at.scrollWidth > at.clientWidth
  if (shortened) at.title = at.textContent.trim().replace(/\s+/g, ' ')
}
