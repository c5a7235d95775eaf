import { fitRule } from '../fitRule'

/** The system lives apart from the data. */
export const bootDevice = fitRule<{ readonly what: string | null; readonly bootsFrom: string }>({
  id: 'bootDevice',
  label: 'A disk for the system',
  group: 'running',
  otherwise: 'Leave a place for a small SSD, or choose a system that starts from a stick.',
  judge({ board, build: { parts, base, isFromParts }, system }) {
    if (!board && !isFromParts) return null
    const own = parts.find(
      ({ kind, entry }) =>
        kind === 'ssd' &&
        (system?.bootsFrom ?? ['ssd', 'stick']).includes(entry.shape === 'stick' ? 'stick' : 'ssd'),
    )
    const bootsFrom = system?.bootsFrom.includes('ssd') === false ? 'a boot stick' : 'a small SSD'
    if (base?.systemDisk) return { state: 'pass', values: { what: '', bootsFrom } }
    return { state: own ? 'pass' : 'warning', values: { what: own ? '' : null, bootsFrom } }
  },
  say: ({ what, bootsFrom }) =>
    what === null
      ? `There is no disk for the system. With ${bootsFrom}, the data drives stay free of it.`
      : 'The system has a place apart from the data.',
  fixes: ({ system }) => [
    {
      how: 'add',
      kind: 'ssd',
      only: entry =>
        'shape' in entry &&
        (system?.bootsFrom ?? ['ssd']).includes(entry.shape === 'stick' ? 'stick' : 'ssd'),
    },
  ],
})
