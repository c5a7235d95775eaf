import type { Step } from '../step'

export const copies: readonly Step[] = [
  {
    id: 'copies.jobs',
    do:
      'A job a copy by the backup plan: what, where, when, versions, key. Break it once ' +
      'on purpose.',
    why: 'A job that fails unseen has often failed for months.',
    cautions: [],
    hands: ({ copies }) => 20 * copies,
    tools: '',
    good: 'The alert came.',
    ifNot: { advice: '', trees: [], steps: ['system.alerts'] },
    needs: ['fill.first', 'pool.jobs'],
    when: ['copies'],
  },
  {
    id: 'copies.first',
    do: 'First full copy; carry the one that goes away.',
    why: 'Over the line it may take months.',
    cautions: [],
    hands: 20,
    wait: ({ slowestCopyMin }) => slowestCopyMin,
    tools: 'external drive',
    good: 'Bytes as planned.',
    ifNot: { advice: 'Carry it.', trees: [], steps: [] },
    needs: ['copies.jobs', 'fill.verify'],
    when: ['copies'],
  },
  {
    id: 'copies.restore',
    do:
      'From every copy, on another computer: one file, one folder, one earlier version. ' +
      'Write down minutes and date.',
    why: 'Only what was restored is a backup.',
    cautions: [],
    hands: 30,
    wait: 15,
    tools: 'second computer',
    good: 'Opens, checksums equal.',
    ifNot: { advice: '', trees: [], steps: ['copies.jobs'] },
    needs: ['copies.first'],
    when: ['copies'],
  },
  {
    id: 'copies.settings',
    do:
      'Export settings of system, router and services, keys and set-up script to a ' +
      'place off the machine.',
    why: 'The system is back in an hour, its settings are not.',
    cautions: [],
    hands: 15,
    tools: '',
    good: 'Found with the machine off.',
    ifNot: { advice: '', trees: [], steps: [] },
    needs: ['services.others', 'away.tunnel', 'people.prove', 'pool.jobs', 'copies.jobs'],
    when: [],
  },
]
