/**
 * Settles once what is on the page now has been painted: the second frame begins after the first
 * was drawn.
 */
export function afterPaint(): Promise<void> {
  return new Promise(done => requestAnimationFrame(() => requestAnimationFrame(() => done())))
}
