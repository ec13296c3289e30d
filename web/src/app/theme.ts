/** Light or dark: what the person chose here, else what their system says. */
const KEY = 'brantel-theme'

export type Theme = 'light' | 'dark'

export function currentTheme(): Theme {
  const chosen = localStorage.getItem(KEY)
  if (chosen === 'light' || chosen === 'dark') return chosen
  return matchMedia('(prefers-color-scheme: dark)').matches ? 'dark' : 'light'
}

export function applyTheme(theme: Theme = currentTheme()): void {
  document.documentElement.dataset.bsTheme = theme
}

export function switchTheme(): Theme {
  const next = currentTheme() === 'dark' ? 'light' : 'dark'
  localStorage.setItem(KEY, next)
  applyTheme(next)
  return next
}
