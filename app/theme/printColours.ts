import { theme } from './theme'

/**
 * Paper is light whatever the page is: the day's colours as a style sheet for printing from the
 * night.
 */
export function printColours(): string {
  const channels = (hex: string) =>
    [1, 3, 5].map(at => Number.parseInt(hex.slice(at, at + 2), 16)).join(',')
  const colours = Object.entries(theme.themes.day.colors)
    .map(([name, hex]) => `--v-theme-${name}:${channels(hex)};`)
    .join('')
  return (
    '@media print{:root{color-scheme:light}.v-application.v-theme--night,.v-theme--night ' +
    `.v-theme--night{color-scheme:light;${colours}}}`
  )
}
