import { fitRule } from '../fitRule'

/** The cooler goes onto the socket and under the lid. */
export const coolerFits = fitRule<{
  readonly name: string
  readonly socket: string | null
  readonly heightMm: number
  readonly maxMm: number
}>({
  id: 'coolerFits',
  label: 'Cooler under the lid',
  group: 'parts',
  prunes: 'machine',
  stops: true,
  otherwise: 'Choose case and cooler together, or a processor that makes less heat.',
  judge({ cooler, board, housing, build }) {
    if (!cooler || !board || !housing) return null
    const wrongSocket = board.socket === null || !cooler.sockets.includes(board.socket)
    return {
      state: wrongSocket || cooler.heightMm > housing.coolerMm ? 'fail' : 'pass',
      clash: {
        parts: build.parts.filter(({ kind }) => kind === 'cooler').map(({ index }) => index),
      },
      values: {
        name: cooler.label,
        socket: wrongSocket ? (board.socket ?? '') : null,
        heightMm: cooler.heightMm,
        maxMm: housing.coolerMm,
      },
    }
  },
  say({ name, socket, heightMm, maxMm }, { number: n }, state) {
    if (socket === '')
      return (
        `${name} does not go onto a board with a soldered processor, which has a cooler of ` +
        'its own.'
      )
    if (socket !== null) return `${name} does not go onto socket ${socket}.`
    return state === 'pass'
      ? `The cooler is ${n(heightMm)} mm high; ${n(maxMm)} mm are there.`
      : `The cooler is ${n(heightMm)} mm high; the case leaves ${n(maxMm)} mm.`
  },
  fixes: () => [
    { how: 'replace', kind: 'cooler' },
    { how: 'replace', kind: 'case' },
  ],
})
