/** Rounds until the shares stand; they are told to three digits. */
const rounds = 300

/**
 * Where two copies of every file lie, on average: for each two drives the share of all files that
 * lies on just these two.
 * Of all ways to fill the drives the one that favours no pair: share ∝ x·y, with x found so that
 * every drive holds what it can.
 * Equal drives give 2 ÷ (n·(n − 1)) each.
 * @param filledTB by drive: TB of copies on it; none may exceed the sum of the others
 * @returns by the places of two drives, symmetric; 0 on the diagonal. Over each two drives they add
 *   up to 1
 * @example pairShares([8, 4, 4])[0][1] // 0.5
 */
export function pairShares(filledTB: readonly number[]): number[][] {
  const total = filledTB.reduce((sum, filled) => sum + filled, 0)
  const share = filledTB.map(filled => (total > 0 ? (2 * filled) / total : 0))
  const largest = share.indexOf(Math.max(...share))
  // A drive with half of all copies has one of every file.
  if (share[largest]! >= 1 - 1e-9)
    return share.map((one, at) =>
      share.map((other, to) => (at === to ? 0 : at === largest ? other : to === largest ? one : 0)),
    )
  let weight = share.map(Math.sqrt)
  for (let round = 0; round < rounds; round++) {
    const sum = weight.reduce((all, one) => all + one, 0)
    weight = weight.map((one, at) => (one > 0 ? Math.sqrt((one * share[at]!) / (sum - one)) : 0))
  }
  return weight.map((one, at) => weight.map((other, to) => (at === to ? 0 : one * other)))
}
