import type { MissingCopy } from '~~/core/ownership/missingCopy'

/** What a copy away is kept on: '2 × Rivulet Carry 2 TB', 'a store by the month'. */
export function missingCopyName({ media }: Pick<MissingCopy, 'media'>): string {
  if (!media) return 'a store by the month'
  return `${media.count > 1 ? `${media.count} × ` : ''}${media.model.label}`
}

/** What it costs: 'for €65', 'for €1.20 a month'. */
export function missingCopyPrice(
  { media, price, perMonth }: Pick<MissingCopy, 'media' | 'price' | 'perMonth'>,
  money: (amount: number) => string,
): string {
  return media ? `for ${money(price)}` : `for ${money(perMonth)} a month`
}
