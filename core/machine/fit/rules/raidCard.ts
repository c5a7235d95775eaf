import { fitRule } from '../fitRule'

/** A card that builds arrays hides the disks from a file system that wants them plain. */
export const raidCard = fitRule<{ readonly name: string; readonly copyOnWrite: boolean }>({
  id: 'raidCard',
  label: 'Plain disks',
  group: 'running',
  otherwise: 'Leave the card out, and use the ports of the board.',
  judge({ build: { parts }, copyOnWrite }) {
    const controllers = parts.filter(({ kind }) => kind === 'controller')
    if (controllers.length === 0) return null
    const arrays = controllers.filter(({ entry }) => 'mode' in entry && entry.mode === 'raid')
    return {
      state: arrays.length ? (copyOnWrite ? 'fail' : 'warning') : 'pass',
      values: {
        name: arrays[0] && 'label' in arrays[0].entry ? arrays[0].entry.label : '',
        copyOnWrite,
      },
      clash: { parts: arrays.map(({ index }) => index) },
    }
  },
  say: ({ name, copyOnWrite }) =>
    !name
      ? 'The controller hands on plain disks.'
      : copyOnWrite
        ? `${name} builds its own arrays and hides the disks that the checksummed file ` +
          'system wants plain.'
        : `${name} builds its own arrays: the drives can be read behind such a card only.`,
  fixes: () => [
    {
      how: 'replace',
      kind: 'controller',
      only: entry => 'mode' in entry && entry.mode === 'plain',
    },
  ],
})
