import type { Format } from '../../units/format'
import type { Purchase } from './purchases'

/** '1 × 12 TB in month 31'. */
export function purchaseText(
  { month, count, sizeTB, how }: Purchase,
  { quantity }: Pick<Format, 'quantity'>,
): string {
  const drives = `${count} × ${quantity(sizeTB, 'TB')}`
  const where = {
    added: '',
    newGroup: ' as a new group',
    smallest: count === 1 ? ' in place of the smallest' : ' in place of the smallest ones',
    allSmaller: ' in place of all smaller ones',
  }[how]
  return `${drives}${where} ${month === 0 ? 'today' : `in month ${month}`}`
}
