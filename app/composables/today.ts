/** Today as a plan keeps it, by the clock of this computer: '2026-12-24'. */
export function todayText(now = new Date()): string {
  const two = (value: number) => String(value).padStart(2, '0')
  return `${now.getFullYear()}-${two(now.getMonth() + 1)}-${two(now.getDate())}`
}
