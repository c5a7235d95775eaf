import type { Step } from '../step'

export const people: readonly Step[] = [
  {
    id: 'people.rights',
    do:
      'An account a person, none shared; groups; shares, rights and quotas from the ' +
      'matrix, on the folder itself and not above it; then *apply*.',
    why: 'Rights on the wrong level open or lock everything.',
    cautions: [],
    hands: ({ shares, viewers }) => 3 * viewers + 3 * shares,
    tools: 'matrix',
    good: 'Exported list equals the matrix.',
    ifNot: { advice: 'Set anew from the top.', trees: [], steps: [] },
    needs: ['pool.tree'],
    when: ['shares'],
  },
  {
    id: 'people.connect',
    do:
      'On each computer: home network marked private; found by name and by address; ' +
      "connected for good under the viewer's own account.",
    why: 'One that works by address alone breaks on the day the address changes.',
    cautions: [],
    hands: ({ computers }) => 8 * computers,
    tools: '',
    good: 'Still there after a restart.',
    ifNot: { advice: '', trees: ['T7'], steps: [] },
    needs: ['people.rights', 'system.address'],
    when: ['folders'],
  },
  {
    id: 'people.prove',
    do:
      'For each account one allowed and one forbidden action of the test list; guests: ' +
      'read, then try to write.',
    why: 'Rights are what is refused.',
    cautions: [],
    hands: ({ viewers }) => 3 * viewers,
    tools: 'test list',
    good: 'All as listed.',
    ifNot: { advice: '', trees: [], steps: ['people.rights'] },
    needs: ['people.connect', 'people.rights'],
    when: ['shares'],
  },
]
