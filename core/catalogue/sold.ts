/** How something is sold today. */
export const soldAs = ['new', 'refurbished', 'used'] as const
export type Sold = (typeof soldAs)[number]

/** Processors and boards designed up to this year are made no more. */
export const lastMadeNoMore = 2020

/** A part by the year of its design: what is made no more comes out of taken-back machines. */
export function soldOf(year: number): Sold {
  return year <= lastMadeNoMore ? 'refurbished' : 'new'
}

/** Behind what a part is, how it is sold, where that is not new: ', used'. */
export function soldText(sold: Sold): string {
  return sold === 'new' ? '' : `, ${sold}`
}
