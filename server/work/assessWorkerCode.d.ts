/** The bundled program of the worker threads, as `scripts/bundleAssessWorker.mjs` makes it. */
declare module '#assess-worker' {
  const code: string
  export default code
}
